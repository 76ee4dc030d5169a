const BROWSERS: [RegExp, string][] = [
  [/\bEdg(?:e|A|iOS)?\//, "Edge"],
  [/\bOPR\//, "Opera"],
  [/\b(?:Firefox|FxiOS)\//, "Firefox"],
  [/\b(?:Chrome|CriOS|Chromium|HeadlessChrome)\//, "Chrome"],
  [/\bSafari\//, "Safari"],
];
const SYSTEMS: [RegExp, string][] = [
  [/\bAndroid\b/, "Android"],
  [/\b(?:iPhone|iPad|iPod)\b/, "iOS"],
  [/\bWindows\b/, "Windows"],
  [/\bCrOS\b/, "ChromeOS"],
  [/\bMac OS X\b|\bMacintosh\b/, "macOS"],
  [/\bLinux\b/, "Linux"],
];

/**
 * What a browser calls itself, for its person to know it again (RFC 9110, 10.1.5). Nothing is decided by it.
 * @example
 * sayBrowser("Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0"); // "Firefox on Linux"
 */
export function sayBrowser(agent: string | null): string {
  const name = (all: [RegExp, string][]) => all.find(([match]) => match.test(agent ?? ""))?.[1];
  const [browser, system] = [name(BROWSERS), name(SYSTEMS)];
  return system ? `${browser ?? "A browser"} on ${system}` : (browser ?? "A program");
}
