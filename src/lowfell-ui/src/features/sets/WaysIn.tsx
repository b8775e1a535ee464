import { useState } from "react";
import { Link } from "react-router";
import { openBench } from "../../craft/openBench";
import { ReadyGrid } from "../../craft/ReadyGrid";
import { Button } from "../../ui";

const way = "flex flex-col gap-1 rounded-lg border border-line bg-panel p-5 text-left hover:border-accent";

/** An empty bench begins the work: three ways in. */
export function WaysIn({ onSet }: { onSet: () => void }) {
  const [opening, setOpening] = useState(false);
  return (
    <section aria-label="Ways to begin" className="flex flex-col gap-4 py-4">
      <p className="text-center font-semibold">What have you got to paint?</p>
      <div className="grid gap-3 md:grid-cols-3">
        <Link to="/begin" className={way}>
          <span className="font-semibold">A ready scheme for what stands before you</span>
          <span className="text-sm text-soft">
            Write down your pieces; twenty schemes show what they would look like from your paints, and when they are
            done.
          </span>
        </Link>
        <Link to="/begin?first=paints" className={way}>
          <span className="font-semibold">Your own paints first</span>
          <span className="text-sm text-soft">
            Paste their names, drop a table of them, or tick them on a shelf of forty plain ones.
          </span>
        </Link>
        <button
          type="button"
          disabled={opening}
          className={way}
          onClick={() => {
            setOpening(true);
            void openBench(true).finally(() => setOpening(false));
          }}
        >
          <span className="font-semibold">{opening ? "Setting up the demo…" : "Look around the demo"}</span>
          <span className="text-sm text-soft">
            Brinegate Saltworks, a made-up table half painted. Your own bench stays as it is; you come back with one
            press.
          </span>
        </button>
      </div>
      <p className="text-center text-sm text-soft">
        Or{" "}
        <Button look="quiet" className="px-1 underline" onClick={onSet}>
          make the first set
        </Button>{" "}
        by hand, coat by coat.
      </p>
      <h2 className="sr-only">Ready schemes</h2>
      <ReadyGrid />
    </section>
  );
}
