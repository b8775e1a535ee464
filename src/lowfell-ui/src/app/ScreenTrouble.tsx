import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { queries } from "../api/queries";
import { Button } from "../ui";

/** A screen that did not open, or has failed: said inside the frame, tried again by hand, and by itself once the host is back. */
export function ScreenTrouble() {
  const health = useQuery(queries.health());
  const wasAway = useRef(false);
  useEffect(() => {
    if (health.isError) wasAway.current = true;
    else if (health.isSuccess && wasAway.current) again();
  }, [health.isError, health.isSuccess]);
  return (
    <div role="alert" className="mx-auto flex max-w-lg flex-col items-start gap-3 p-10" data-testid="screen-trouble">
      <h1 className="text-xl font-semibold">This screen did not open</h1>
      <p className="text-soft">
        {health.isError
          ? "Lowfell does not answer; the screen opens by itself when it is back."
          : "Its part of the program did not come, or has failed. What you have changed is kept."}
      </p>
      <Button onClick={again}>Try again</Button>
    </div>
  );
}

// Loaded anew: a part of the program that failed once is not asked for a second time by the same page.
const again = () => location.reload();
