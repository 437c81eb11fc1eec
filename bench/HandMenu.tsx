"use client";

import { ListChecks, Printer, Redo2, Thermometer } from "lucide-react";
import Link from "next/link";
import { Menu, menuItem } from "@/parts/common";
import { labelsOf, redo, setPreferences, useWorkshop } from "@/workshop";
import { usePreferences } from "./context";

/** On a phone: what the bar of a desk has besides. */
export function HandMenu({ id }: { id: string }) {
  const { scale } = usePreferences();
  const future = useWorkshop((s) => labelsOf(s).redo);
  return (
    <Menu label="More: card, redo, units">
      <Link href={`/card?c=${id}`} className={menuItem}>
        <Printer size={18} aria-hidden /> Card for the door
      </Link>
      <Link href={`/parts?c=${id}`} className={menuItem}>
        <ListChecks size={18} aria-hidden /> Parts and cost
      </Link>
      <button type="button" className={`${menuItem} disabled:opacity-45`} disabled={!future} onClick={() => redo()}>
        <Redo2 size={18} aria-hidden /> {future ? `Redo: ${future}` : "Nothing to redo"}
      </button>
      <button type="button" className={menuItem} onClick={() => setPreferences({ scale: scale === "C" ? "F" : "C" })}>
        <Thermometer size={18} aria-hidden />
        {scale === "C" ? "Show °F instead of °C" : "Show °C instead of °F"}
      </button>
    </Menu>
  );
}
