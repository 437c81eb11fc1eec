interface Props {
  label: string;
  kind: "heat" | "cold";
  bars: { name: string; watts: number }[];
}

/** Need against supply, as two bars on one scale. */
export function PowerBars({ label, kind, bars }: Props) {
  const most = Math.max(1, ...bars.map((b) => b.watts));
  const fill = kind === "heat" ? "url(#hatch-heat)" : "url(#dots-cold)";
  return (
    <div
      role="img"
      aria-label={`${label}: ${bars.map((b) => `${b.name} ${Math.round(b.watts)} W`).join(", ")}`}
      className={`grid gap-1 text-[0.8125rem] ${kind === "heat" ? "text-heat" : "text-cold"}`}
    >
      {bars.map(({ name, watts }, i) => (
        <div key={name}>
          <span className="text-base-content">
            {name}: <strong>{Math.round(watts)} W</strong>
          </span>
          <svg width="100%" height="11" className="block" aria-hidden>
            <rect
              x="0.5"
              y="0.5"
              width={`${(watts / most) * 98}%`}
              height="10"
              fill={i === 0 ? "none" : fill}
              stroke="currentColor"
              strokeWidth="1.2"
            />
          </svg>
        </div>
      ))}
    </div>
  );
}
