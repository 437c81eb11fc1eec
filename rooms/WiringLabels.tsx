import { mainsTable, outletsIn, type WiringPlan } from "@/core/wiring";

/** What is stuck on cord and outlets: what it is, what it may carry, what to do first. */
export function WiringLabels({ plan, name }: { plan: WiringPlan; name: string }) {
  const { wiring } = plan;
  const mains = mainsTable[wiring.mains];
  const protects = wiring.fuse > 0 ? Math.min(wiring.fuse, wiring.breaker) : wiring.breaker;
  const most = Math.min(protects, wiring.outletAmps, wiring.relayAmps);
  const labels = [
    {
      id: "cord",
      title: "Cord",
      lines: [
        name,
        `${mains.label}, ${protects} A`,
        wiring.fuse > 0 ? `Fuse ${wiring.fuse} A, in the line` : "No fuse of its own",
        "Pull this before you open it",
      ],
    },
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
