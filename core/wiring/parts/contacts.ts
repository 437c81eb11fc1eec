import type { OutletName } from "../plan";
import type { OwnFault } from "./type";

/** What goes wrong with a contact that closes by itself; `where`: "relay for heat". */
export function contactFaults(o: OutletName, join: string, where: string, changeOver: boolean): OwnFault[] {
  return [
    {
      key: `${o}-closed`,
      is: `The ${where} does not open`,
      mend: "Look at its terminals first: something may bridge it. Else the contact is welded: put in another one.",
      sets: { [join]: "closed" },
    },
    {
      key: `${o}-open`,
      is: `The ${where} does not close`,
      mend: "Look whether it is driven; else put in another one.",
      sets: { [join]: "open" },
    },
    ...(changeOver
      ? [
          {
            key: `${o}-inverse`,
            is: `The wire hangs on the normally closed contact of the ${where}`,
            mend: "Move it to the normally open contact: the relay itself may be sound.",
            sets: { [join]: "inverse" as const },
          },
        ]
      : []),
  ];
}
