import type { MetadataRoute } from "next";

/** What a device shows of the application once it is installed. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: "Gentle Crock",
    short_name: "Gentle Crock",
    description: "Plan, simulate, prove and run a heating and cooling chamber of your own.",
    id: "/",
    start_url: "/",
    scope: "/",
    display: "standalone",
    background_color: "#f5f0e7",
    theme_color: "#f5f0e7",
    icons: [
      { src: "/icon-192.png", sizes: "192x192", type: "image/png" },
      { src: "/icon-512.png", sizes: "512x512", type: "image/png" },
      { src: "/icon-maskable.png", sizes: "512x512", type: "image/png", purpose: "maskable" },
      { src: "/icon.svg", sizes: "any", type: "image/svg+xml" },
    ],
  };
}
