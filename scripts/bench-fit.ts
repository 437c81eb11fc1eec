// One step of a vessel that is dragged: whether all of it fits, at places beside one another.
import { describe } from "../core/chamber";
import { boxFit } from "../core/fit";
import { hollinMill } from "../demo/hollinMill";

for (const record of hollinMill()) {
  const chamber = describe(record);
  const first = boxFit(chamber);
  if (first.placed.length === 0) continue;
  const [moved] = first.placed;
  const times = Array.from({ length: 40 }, (_, i) => {
    const vessels = chamber.vessels.map((v) =>
      v.id === moved!.id
        ? {
            ...v,
            spots: first.placed
              .filter((p) => p.id === v.id)
              .map(({ at, on }, k) => ({ x: at.x + (k === 0 ? i * 0.005 : 0), y: at.y, on, turned: at.turned })),
          }
        : v,
    );
    const start = performance.now();
    boxFit({ ...chamber, vessels });
    return performance.now() - start;
  }).sort((a, b) => a - b);
  console.log(
    `Fit, a drag step of ${record.name}, ${first.placed.length} vessels: median ${times[20]!.toFixed(1)} ms, slowest ${times[39]!.toFixed(1)} ms (aim: 16)`,
  );
}
