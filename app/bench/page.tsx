import { Suspense } from "react";
import { BenchRoute } from "@/bench/BenchRoute";

export default function Page() {
  return (
    <Suspense>
      <BenchRoute />
    </Suspense>
  );
}
