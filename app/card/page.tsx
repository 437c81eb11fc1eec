import { Suspense } from "react";
import { CardRoom } from "@/rooms";

export default function Page() {
  return (
    <Suspense>
      <CardRoom />
    </Suspense>
  );
}
