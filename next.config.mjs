/** @type {import("next").NextConfig} */
const config = {
  poweredByHeader: false,
  reactStrictMode: true,
  // Types are checked by `npm test`, once for everything; a build need not do it again.
  typescript: { ignoreBuildErrors: true },
  // Bytes that are compressed once and kept (the reader's page) set their own encoding; the rest is gzipped here.
  compress: true,
  serverExternalPackages: [
    "mysql2",
    "pino",
    "sharp",
    "@resvg/resvg-js",
    "nodemailer",
    "undici",
    "better-auth",
    "piscina",
  ],
  turbopack: {
    resolveAlias: {
      "node-fetch": { browser: "./src/workers/no-network.ts" },
      "sync-fetch": { browser: "./src/workers/no-network.ts" },
    },
  },
  experimental: { optimizePackageImports: ["lucide-react", "radix-ui"] },
  async headers() {
    return [
      {
        source: "/fonts/:name",
        headers: [{ key: "Cache-Control", value: "public, max-age=31536000, immutable" }],
      },
      {
        // By its version, which is in the path.
        source: "/pdf/:path*",
        headers: [{ key: "Cache-Control", value: "public, max-age=31536000, immutable" }],
      },
      {
        source: "/((?!c/).*)",
        headers: [
          { key: "X-Content-Type-Options", value: "nosniff" },
          { key: "Referrer-Policy", value: "same-origin" },
          { key: "X-Frame-Options", value: "SAMEORIGIN" },
          { key: "Permissions-Policy", value: "camera=(self), geolocation=()" },
        ],
      },
    ];
  },
};

export default config;
