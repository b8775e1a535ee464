import { useQuery } from "@tanstack/react-query";
import { wording } from "../../api/client";
import { queries } from "../../api/queries";
import { Failed, notify } from "../../ui";
import { CalendarForm } from "./CalendarForm";
import { FollowCalendar } from "./FollowCalendar";

/** When there is time to paint, and the room that it is done in. */
export function CalendarScreen() {
  const calendar = useQuery(queries.calendar());
  if (calendar.isError) return <Failed why={wording(calendar.error)} onAgain={() => void calendar.refetch()} />;
  if (!calendar.data) return <p className="p-6 text-soft">Opening the calendar…</p>;
  return (
    <div className="mx-auto w-full max-w-4xl p-3">
      <section aria-label="Calendar and room" className="rounded-lg border border-line bg-panel p-4">
        <div className="mb-3 flex flex-wrap items-center gap-3">
          <h1 className="flex-1 text-lg font-semibold">When there is time to paint</h1>
          <FollowCalendar sets={[]} />
        </div>
        <CalendarForm
          key={JSON.stringify(calendar.data)}
          calendar={calendar.data}
          onKept={() => notify("Kept. The plan follows it.")}
        />
      </section>
    </div>
  );
}
