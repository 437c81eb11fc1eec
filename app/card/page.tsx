import { Suspense } from "react";
import { CardRoom } from "@/rooms/Card";

export default function Page() {
  return (
    <Suspense>
      <CardRoom />
    </Suspense>
  );
}
