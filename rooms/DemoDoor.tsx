"use client";

import { useRouter } from "next/navigation";
import { useEffect } from "react";
import { seedDemoOnce } from "@/demo";
import { useWorkshop } from "@/workshop";

/** The demo's address: seeds an empty profile once and goes to the Shelf, as soon as the demo is really stored. */
export function DemoDoor() {
  const status = useWorkshop((s) => s.status);
  const save = useWorkshop((s) => s.save);
  const router = useRouter();
  useEffect(() => {
    if (status === "open") seedDemoOnce();
  }, [status]);
  useEffect(() => {
    // The seeding above has already set the state to "saving" when this one looks.
    if (status === "open" && useWorkshop.getState().save === "saved") router.replace("/");
  }, [status, save, router]);
  return (
    <main className="p-8">
      <p>Opening the demo …</p>
    </main>
  );
}
