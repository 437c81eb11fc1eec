"use client";

import { ErrorPage } from "@/rooms/ErrorPage";

export default function PageError({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  return <ErrorPage error={error} retry={reset} />;
}
