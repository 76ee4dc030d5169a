import type { MetadataRoute } from "next";

/** What a phone needs to put Hobbin on its home screen and into its share sheet (W3C Web App Manifest; Web Share Target). */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: "Hobbin",
    short_name: "Hobbin",
    id: "/",
    start_url: "/",
    display: "standalone",
    background_color: "#fbfcfa",
    theme_color: "#0b5563",
    icons: [
      { src: "/icon.svg", sizes: "any", type: "image/svg+xml" },
      { src: "/icon-512.png", sizes: "512x512", type: "image/png" },
    ],
    shortcuts: [{ name: "Bring in", url: "/bring" }],
    share_target: {
      action: "/bring/shared",
      method: "POST",
      enctype: "multipart/form-data",
      params: {
        title: "title",
        text: "text",
        url: "url",
        files: [{ name: "file", accept: ["image/*", "audio/*", "video/*", "application/pdf"] }],
      },
    },
  };
}
