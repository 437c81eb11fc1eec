"use client";

import { useRouter } from "next/navigation";
import { ErrorPage } from "@/rooms/ErrorPage";

export default function PageError({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  const router = useRouter();
  return <ErrorPage error={error} retry={reset} go={(href) => router.push(href)} />;
}
