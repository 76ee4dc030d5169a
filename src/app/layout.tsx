import type { Metadata, Viewport } from "next";
import localFont from "next/font/local";
import { headers } from "next/headers";
import { Root } from "@/ui/shell/root";
import "./globals.css";

const atkinson = localFont({
  src: "../../node_modules/@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2",
  variable: "--font-atkinson",
  weight: "200 800",
});
const literata = localFont({
  src: "../../node_modules/@fontsource-variable/literata/files/literata-latin-wght-normal.woff2",
  variable: "--font-literata",
  weight: "200 900",
});

export const metadata: Metadata = {
  title: { default: "Hobbin", template: "%s · Hobbin" },
  description: "Collect, judge and arrange with your team, and hand it on.",
};
export const viewport: Viewport = { width: "device-width", initialScale: 1 };

export default async function Layout({ children }: { children: React.ReactNode }) {
  // Scripts run by a nonce, so no page is made before it is asked for.
  const nonce = (await headers()).get("x-nonce") ?? undefined;
  return (
    <Root nonce={nonce} fonts={`${atkinson.variable} ${literata.variable}`}>
      {children}
    </Root>
  );
}
