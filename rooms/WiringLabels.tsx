import { hasTwoCords, mainsTable, outletsIn, protectedBy, type WiringPlan } from "@/core/wiring";

/** What is stuck on cord and outlets: what it is, what it may carry, what to do first. */
export function WiringLabels({ plan, name }: { plan: WiringPlan; name: string }) {
  const { wiring } = plan;
  const mains = mainsTable[wiring.mains];
  const protects = protectedBy(wiring);
  const most = Math.min(protects, wiring.outletAmps, wiring.relayAmps);
  const two = hasTwoCords(plan);
  const corded = wiring.laid === "cord";
  const supply = (id: string, title: string, of: string) => ({
    id,
    title,
    lines: [
      name,
      `${mains.label}, ${protects} A${of}`,
      wiring.fuse > 0 ? `Fuse ${wiring.fuse} A, in the line` : "No fuse of its own",
      !corded
        ? "Switch the circuit off and prove it dead before you open it"
        : two
          ? "Pull both plugs before you open it"
          : "Pull this before you open it",
    ],
  });
  const labels = [
    ...(two
      ? [
          {
            id: "lid",
            title: corded ? "TWO CORDS" : "TWO SUPPLIES",
            lines: ["With one off, what hangs on the other stays live.", "Both off before the lid comes off."],
          },
        ]
      : []),
    supply("cord", corded ? (two ? "First cord" : "Cord") : "Supply", two ? ", unit and heat" : ""),
    ...(two ? [supply("cord2", corded ? "Second cord" : "Second supply", ", cold")] : []),
    ...outletsIn(plan).map((o) => ({
      id: o,
      title: o === "heat" ? "HEAT outlet" : "COLD outlet",
      lines: [
        `Switched by the unit: ${o === "heat" ? "heater" : "cooler"} alone`,
        `At most ${most} A, ${Math.round(most * mains.volts)} W`,
        "May be live while it is off: pull the plug",
      ],
    })),
  ];
  return (
    <div className="flex flex-wrap gap-3">
      {labels.map(({ id, title, lines }) => (
        <div key={id} className="border-base-content w-56 break-inside-avoid border-2 p-3">
          <p className="text-lg font-bold">{title}</p>
          {lines.map((line) => (
            <p key={line} className="text-[0.8125rem] leading-snug">
              {line}
            </p>
          ))}
        </div>
      ))}
    </div>
  );
}
