import type { NextConfig } from "next";

/**
 * The Content-Security-Policy names each inline script of the built pages by its hash. The hashes are known only after
 * the build: scripts/build.mjs puts them in the place of this word.
 */
export const HASHES = "'sha256-HASHES-OF-INLINE-SCRIPTS'";

const dev = process.env.NODE_ENV === "development";

const policy = [
  "default-src 'self'",
  `script-src 'self' ${dev ? "'unsafe-inline' 'unsafe-eval'" : HASHES}`,
  `style-src 'self' ${dev ? "'unsafe-inline'" : ""}`,
  "img-src 'self' data: blob:",
  "font-src 'self'",
  "worker-src 'self'",
  `connect-src 'self' ${dev ? "ws:" : ""}`,
  "object-src 'none'",
  "base-uri 'none'",
  "form-action 'self'",
  "frame-ancestors 'none'",
]
  .map((part) => part.trim())
  .join("; ");

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  headers: () =>
    Promise.resolve([
      {
        source: "/:path*",
        headers: [
          { key: "Content-Security-Policy", value: policy },
          { key: "X-Content-Type-Options", value: "nosniff" },
          { key: "X-Frame-Options", value: "DENY" },
          { key: "Referrer-Policy", value: "no-referrer" },
          { key: "Cross-Origin-Opener-Policy", value: "same-origin" },
          { key: "Permissions-Policy", value: "camera=(), microphone=(), geolocation=(), browsing-topics=()" },
        ],
      },
    ]),
};

export default config;
