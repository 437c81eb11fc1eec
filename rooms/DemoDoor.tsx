"use client";

import { useRouter } from "next/navigation";
import { useEffect } from "react";
import { seedDemoOnce } from "@/demo";
import { useWorkshop } from "@/workshop";

/** The demo's address: seeds an empty profile once and goes to the Shelf. */
export function DemoDoor() {
  const status = useWorkshop((s) => s.status);
  const router = useRouter();
  useEffect(() => {
    if (status !== "open") return;
    seedDemoOnce();
    router.replace("/");
  }, [status, router]);
  return (
    <main className="p-8">
      <p>Opening the demo …</p>
    </main>
  );
}
