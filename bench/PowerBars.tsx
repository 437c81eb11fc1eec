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
    <svg
      width="100%"
      height={bars.length * 30}
      role="img"
      aria-label={`${label}: ${bars.map((b) => `${b.name} ${Math.round(b.watts)} W`).join(", ")}`}
      className={kind === "heat" ? "text-heat" : "text-cold"}
    >
      {bars.map(({ name, watts }, i) => (
        <g key={name} transform={`translate(0 ${i * 30})`}>
          <rect
            x="0.5"
            y="16"
            width={`${(watts / most) * 62}%`}
            height="10"
            fill={i === 0 ? "none" : fill}
            stroke="currentColor"
            strokeWidth="1.2"
          />
          <text x="0" y="12" className="text-[13px]" fill="var(--color-base-content)">
            {name}: <tspan fontWeight="700">{Math.round(watts)} W</tspan>
          </text>
        </g>
      ))}
    </svg>
  );
}
