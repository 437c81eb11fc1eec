import { Suspense } from "react";
import { BenchRoute } from "@/bench";

export default function Page() {
  return (
    <Suspense>
      <BenchRoute />
    </Suspense>
  );
}
