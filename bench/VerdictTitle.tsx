import { Check, CircleAlert, Info, OctagonAlert } from "lucide-react";
import type { Severity, Verdict } from "@/core/verdict";

const icons: Record<Severity, typeof Check> = { danger: OctagonAlert, warning: CircleAlert, note: Info, good: Check };
const severityWords: Record<Severity, string> = {
  danger: "Serious",
  warning: "Warning",
  note: "Worth knowing",
  good: "Good",
};
const colors: Record<Severity, string> = {
  danger: "text-error",
  warning: "text-warning",
  note: "text-info",
  good: "text-success",
};

export function VerdictTitle({ verdict }: { verdict: Verdict }) {
  const Icon = icons[verdict.severity];
  return (
    <span className="inline-flex max-w-full items-center gap-2 font-semibold">
      <Icon size={20} className={`shrink-0 ${colors[verdict.severity]}`} aria-hidden />
      <span className="sr-only">{severityWords[verdict.severity]}: </span>
      <span className="min-w-0 overflow-hidden text-ellipsis">{verdict.title}</span>
    </span>
  );
}
