import { expect, test } from "vitest";
import { plainText } from "./plain";

test("blocks become lines, blanks are folded, what is not to be read falls away", () => {
  expect(plainText("<h2>The  bog</h2><p>dry <b>socks</b>\n and a rope</p><script>x</script>")).toBe(
    "The bog\ndry socks and a rope",
  );
  expect(plainText("3 &lt; 4 &amp; more")).toBe("3 < 4 & more");
  expect(plainText("  no   marks ")).toBe("no marks");
});

test("cells of a table are words of their own", () => {
  expect(
    plainText("<table><tr><th>Well</th><th>Depth</th></tr><tr><td>one</td><td>12</td></tr></table>"),
  ).toBe("Well Depth\none 12");
  expect(plainText("<dl><dt>Sedge</dt><dd>a plant</dd></dl>")).toBe("Sedge\na plant");
});
