"use client";

import { parametersInfo, type ParameterInfo } from "@/core/chamber";
import { storedValue } from "@/core/model";
import { printNumber } from "@/core/quantity";
import { plainKind } from "@/parts/fields";
import { Fold } from "@/parts/common";
import { useChamber } from "../context";
import { ValueField } from "../ValueField";

const figures = (value: number) => printNumber(value, value >= 100 ? 1 : value >= 10 ? 0.1 : 0.01);

/** Every parameter of the model: what it is, its usual range, where it comes from, and the way back. */
export function Parameters() {
  const { chamber } = useChamber();
  return (
    <Fold summary="All parameters of the model">
      <p className="quiet max-w-prose">
        Engineering estimates from the measures and devices above, each with the span that it may really lie in. The
        trial takes the middle; that heat and cold do not chase each other is said only where it holds for weak and
        strong films and for light and heavy bodies. Type your own where you know better: what you type is taken as it
        stands. A proving test with water finds the ones that matter most.
      </p>
      <div className="mt-3 grid grid-cols-[repeat(auto-fill,minmax(min(17rem,100%),1fr))] gap-x-6 gap-y-3">
        {parametersInfo(chamber).map((info) => (
          <Parameter key={`${info.at.section}-${info.at.id ?? ""}-${info.at.field}`} info={info} />
        ))}
      </div>
    </Fold>
  );
}

function Parameter({ info }: { info: ParameterInfo }) {
  const { record } = useChamber();
  const { estimate, span } = info;
  const typed = storedValue(record, info.at);
  const unit = info.unit === "layers" ? "" : info.unit;
  const range =
    info.unit === "layers"
      ? "Usual: 1 to 3."
      : estimate > 0
        ? `Between ${figures(estimate * span[0])} and ${figures(estimate * span[1])} ${unit}.`
        : "Usual: 0.";
  const origin = !typed ? "Estimated." : typed.origin === "typed" ? `Typed; estimate ${figures(estimate)}.` : "Fitted.";
  return (
    <ValueField
      at={info.at}
      label={info.label}
      kind={plainKind(unit, info.step)}
      value={info.value}
      hint={`${info.meaning} ${range} ${origin}`}
    />
  );
}
