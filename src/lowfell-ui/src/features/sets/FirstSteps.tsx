import { useQuery } from "@tanstack/react-query";
import { Check } from "lucide-react";
import { Link } from "react-router";
import { queries } from "../../api/queries";
import type { SetCard } from "../../api/types";
import { openBench } from "../../craft/openBench";
import { Button } from "../../ui";

/** What is still missing to a first evening, with ticks; gone when all of it is done. The demo says instead whose bench it is. */
export function FirstSteps({ cards }: { cards: SetCard[] }) {
  const bench = useQuery(queries.bench());
  const own = bench.data?.holdsDemo === false;
  const done = cards.reduce((n, c) => n + c.facts.done, 0);
  const asked = own && done === 0 && cards.length > 0;
  const materials = useQuery({ ...queries.materials(), enabled: asked });
  const calendar = useQuery({ ...queries.calendar(), enabled: asked });
  if (bench.data?.holdsDemo)
    return (
      <p className="mb-2 flex flex-wrap items-center gap-x-3 rounded border border-line bg-panel px-3 py-1 text-sm">
        <span>You are looking around the demo.</span>
        <Button look="quiet" className="px-1 underline" onClick={() => void openBench(false)}>
          Open your own bench
        </Button>
      </p>
    );
  if (!asked || !materials.data || !calendar.data) return null;
  const steps = [
    { label: "Paints on the shelf", done: materials.data.length > 0, to: "/begin?first=paints" },
    { label: "Coats planned", done: cards.some((c) => c.facts.steps > 0), to: "/begin" },
    { label: "Evenings told", done: calendar.data.weekly.length > 0, to: "/evenings/calendar" },
    { label: "Put the first coat on", done: false, to: "/evenings" },
  ];
  return (
    <nav aria-label="First steps" className="mb-2 rounded border border-line bg-panel px-3 py-1">
      <ol className="flex flex-wrap items-center gap-x-5 gap-y-1 text-sm">
        {steps.map((s) => (
          <li key={s.label} className="flex items-center gap-1.5">
            {s.done ? (
              <>
                <Check size={15} aria-hidden className="text-accent" />
                <span className="text-soft">
                  {s.label}
                  <span className="sr-only">: done</span>
                </span>
              </>
            ) : (
              <Link to={s.to} className="underline">
                {s.label}
              </Link>
            )}
          </li>
        ))}
        <li className="ml-auto">
          <Button look="quiet" className="px-1 underline" onClick={() => void openBench(true)}>
            Look around the demo
          </Button>
        </li>
      </ol>
    </nav>
  );
}
