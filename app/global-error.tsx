"use client";

import "@fontsource-variable/atkinson-hyperlegible-next";
import "@fontsource-variable/bricolage-grotesque";
import { ErrorPage } from "@/rooms/ErrorPage";
import "./globals.css";

/** Where the frame itself has broken: this page stands alone. */
export default function FrameError({ error }: { error: Error & { digest?: string } }) {
  return (
    <html lang="en">
      <body>
        <title>Gentle Crock</title>
        <ErrorPage error={error} retry={() => location.reload()} />
      </body>
    </html>
  );
}
