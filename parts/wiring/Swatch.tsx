import { colourOf, type WiringPlan } from "@/core/wiring";

const inks: Record<string, string> = {
  brown: "#6b3f1d",
  blue: "#2f6fb5",
  black: "#1c1c1c",
  white: "#f4f4f4",
  red: "#b3261e",
  green: "#2f7d3a",
  violet: "#7a4fa3",
};

interface Props {
  job: Parameters<typeof colourOf>[0]["job"];
  mains: WiringPlan["wiring"]["mains"];
}

/** The colour of a conductor as a short stroke beside its name. */
export function Swatch({ job, mains }: Props) {
  const name = colourOf({ job }, { mains });
  const ink = inks[name.split(/[,-]/)[0]!] ?? "currentColor";
  return (
    <svg width="26" height="12" aria-hidden className="mr-2 inline-block align-middle">
      <rect x="0.5" y="2.5" width="25" height="7" fill={ink} stroke="currentColor" strokeOpacity="0.6" />
      {name.startsWith("green-yellow") && <path d="M 0 6 h 26" stroke="#e0c21a" strokeWidth="3" />}
      {name.includes("marked") && <path d="M 9 2 v 8 M 17 2 v 8" stroke="#f4f4f4" strokeWidth="2" />}
    </svg>
  );
}
