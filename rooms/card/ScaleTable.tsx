import { celsius, inScale } from "@/core/quantity";

/** °C and °F side by side around the band. */
export function ScaleTable({ low, high }: { low: number; high: number }) {
  const middle = Math.round((low + high) / 2);
  // Nine values around the band; of a program they reach over all of its bands.
  const step = Math.max(1, Math.ceil((high - low) / 7));
  const values = Array.from({ length: 9 }, (_, i) => middle + (i - 4) * step);
  return (
    <table className="w-full border-collapse text-center">
      <tbody>
        {(["C", "F"] as const).map((scale) => (
          <tr key={scale} className="border-y border-black/40">
            <th scope="row" className="text-left">
              °{scale}
            </th>
            {values.map((t) => (
              <td key={t} className={t >= low && t <= high ? "font-bold" : ""}>
                {inScale(celsius(t), scale).toFixed(scale === "C" ? 0 : 1)}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
