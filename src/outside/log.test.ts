import { expect, test } from "vitest";
import { loggedError } from "./log";

test("what people wrote, and what opens doors, does not get into the log with a statement that failed", () => {
  const driver = Object.assign(new Error("Duplicate entry 'somebody@bog.example' for key 'email'"), {
    code: "ER_DUP_ENTRY",
    errno: 1062,
    sql: "insert into session values ('secret-token')",
  });
  const error = new Error(
    "Failed query: insert into `session` (`token`) values (?)\nparams: secret-token,somebody@bog.example",
    { cause: driver },
  );
  error.stack = `${error.message}\n    at somewhere (file.ts:1:1)`;
  const logged = JSON.stringify(loggedError(error));
  expect(logged).not.toMatch(/secret-token|bog\.example/);
  expect(logged).toContain("Failed query: insert into `session`");
  expect(loggedError(error)).toMatchObject({
    stack: "    at somewhere (file.ts:1:1)",
    cause: { code: "ER_DUP_ENTRY", errno: 1062, message: "Duplicate entry '…' for key 'email'" },
  });
});
