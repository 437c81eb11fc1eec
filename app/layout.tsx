import "@fontsource-variable/atkinson-hyperlegible-next";
import "@fontsource-variable/bricolage-grotesque";
import type { Metadata, Viewport } from "next";
import { Frame } from "@/rooms";
import "./globals.css";

export const metadata: Metadata = {
  title: "Gentle Crock",
  description: "Plan, simulate, prove and run a heating and cooling chamber of your own.",
  icons: { icon: "/icon.svg" },
};

export const viewport: Viewport = { width: "device-width", initialScale: 1 };

export default function Layout({ children }: { children: React.ReactNode }) {
  return (
    <html lang="en">
      <body>
        <Frame>{children}</Frame>
      </body>
    </html>
  );
}
