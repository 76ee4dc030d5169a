import { LIGHT } from "../look/colours";
import { clothSvg, representatives, weave, type Yarn } from "./weave";

/**
 * A piece of cloth as an SVG of its own, in the colours it has by day, for whoever knows no style sheet.
 * @param width and height in pixels
 */
export const clothInLight = (
  threads: readonly Yarn[],
  tags: readonly string[],
  width: number,
  height: number,
): string =>
  clothSvg(weave(representatives(threads, 300), tags, width, height))
    .replace(/var\(--([a-z]+)\)/g, (_, name: keyof typeof LIGHT) => LIGHT[name])
    .replace("<svg ", `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" `);
