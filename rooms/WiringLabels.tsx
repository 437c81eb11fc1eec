import {
  cordsOf,
  hasTwoCords,
  mainsTable,
  netlistOf,
  outletsIn,
  protectedBy,
  sayMarked,
  type OutletName,
  type WiringPlan,
} from "@/core/wiring";

/** What an outlet may feed: the least of what protects it and of every part in its way; of a motor by their motor rating. */
function mostOf(plan: WiringPlan, o: OutletName): { amps: number; motor: number | null } {
  const ratings = netlistOf(plan).parts.flatMap((p) => (p.rating && (!p.outlet || p.outlet === o) ? [p.rating] : []));
  const amps = Math.min(protectedBy(plan.wiring), ...ratings.map((r) => r.amps));
  const motors = ratings.flatMap((r) => (r.motorAmps === null ? [] : [r.motorAmps]));
  return { amps, motor: motors.length > 0 ? Math.min(amps, ...motors) : null };
}

/** What is stuck on cords, outlets, parts and wires: what it is, what it may carry, what to do first. */
export function WiringLabels({ plan, name }: { plan: WiringPlan; name: string }) {
  const { wiring } = plan;
  const mains = mainsTable[wiring.mains];
  const net = netlistOf(plan);
  const protects = protectedBy(wiring);
  const two = hasTwoCords(plan);
  const corded = wiring.laid === "cord";
  const supply = (cord: 1 | 2) => ({
    id: `cord${cord}`,
    title: corded
      ? two
        ? cord === 1
          ? "First cord"
          : "Second cord"
        : "Cord"
      : cord === 1
        ? "Supply"
        : "Second supply",
    lines: [
      name,
      `${mains.label}, ${protects} A`,
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
    ...cordsOf(plan).map(supply),
    ...outletsIn(plan).map((o) => {
      const { amps, motor } = mostOf(plan, o);
      return {
        id: o,
        title: o === "heat" ? "HEAT outlet" : "COLD outlet",
        lines: [
          `Switched by the unit: ${o === "heat" ? "heater" : "cooler"} alone`,
          `At most ${amps} A, ${Math.round(amps * mains.volts)} W resistive`,
          motor === null || motor === 0 ? "Motors: not rated" : `Motors: at most ${motor} A running`,
          corded ? "May be live while it is off: pull the plug" : "May be live while it is off: circuit off first",
        ],
      };
    }),
  ];
  return (
    <div className="grid gap-4">
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
      <h3 className="text-base font-semibold">On the parts</h3>
      <div className="flex flex-wrap gap-2">
        {net.parts
          .filter((p) => p.pins.some((q) => net.wires.some((w) => [w.from, w.to].includes(`${p.id}.${q.key}`))))
          .map((p) => (
            <span key={p.id} className="border-base-content border px-2 py-1 text-[0.8125rem]">
              <strong>{net.letters.get(p.id)}</strong> {p.label}
            </span>
          ))}
      </div>
      <h3 className="text-base font-semibold">On the wires: one at each end</h3>
      <div className="flex flex-wrap gap-2">
        {net.wires.flatMap((w) =>
          [w.from, w.to].map((id) => (
            <span key={`${w.id} ${id}`} className="border-base-content border px-2 text-[0.75rem] whitespace-nowrap">
              <strong>{w.number}</strong> {sayMarked(id, net).split(" ")[0]}
            </span>
          )),
        )}
      </div>
    </div>
  );
}
