import "@fontsource-variable/atkinson-hyperlegible-next";
import "@fontsource-variable/bricolage-grotesque";
import type { Metadata, Viewport } from "next";
import { Frame } from "@/rooms/Frame";
import "./globals.css";

export const metadata: Metadata = {
  title: "Gentle Crock",
  description: "Plan, simulate, prove and run a heating and cooling chamber of your own.",
  icons: { icon: "/icon.svg", apple: "/icon-192.png" },
  appleWebApp: { title: "Gentle Crock" },
};

export const viewport: Viewport = {
  width: "device-width",
  initialScale: 1,
  themeColor: [
    { media: "(prefers-color-scheme: light)", color: "#f5f0e7" },
    { media: "(prefers-color-scheme: dark)", color: "#1d1a18" },
  ],
};

export default function Layout({ children }: { children: React.ReactNode }) {
  return (
    <html lang="en">
      <body>
        <Frame>{children}</Frame>
      </body>
    </html>
  );
}
