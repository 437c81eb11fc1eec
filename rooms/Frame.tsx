"use client";

import dynamic from "next/dynamic";
import { useEffect, type ReactNode } from "react";
import { Glazes } from "@/parts/common";
import { useWorkshop } from "@/workshop";

/** What reads the store and checks what it finds is the larger part: a page stands before it is there. */
const Workshop = dynamic(() => import("./OpenWorkshop").then((m) => m.OpenWorkshop), { ssr: false });
const NoStore = dynamic(() => import("./NoStore").then((m) => m.NoStore), { ssr: false });

/** What stands around every room: the theme, the open workshop with its notices, or why it cannot be opened. */
export function Frame({ children }: { children: ReactNode }) {
  const status = useWorkshop((s) => s.status);
  const { theme } = useWorkshop((s) => s.preferences);
  useEffect(() => {
    const { dataset } = document.documentElement;
    if (theme === "auto") delete dataset.theme;
    else dataset.theme = theme;
  }, [theme]);
  return (
    <>
      <Glazes />
      <Workshop />
      {status === "unavailable" ? <NoStore /> : children}
    </>
  );
}
