import { queries } from "../../api/queries";
import { changed } from "../../api/changes";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, ask, wording } from "../../api/client";
import type { Match, Painted } from "../../api/types";
import { number, offFigure } from "../../api/words";
import { Button, Chip, Choice, Failed, notify, Toggle } from "../../ui";
import { zoneOptions } from "../../craft/zoneOptions";
import { restoreCoats } from "../../craft/restoreCoats";

/** The old coats, the closest from today's shelf, and the filter and dust that bring both sets together. */
export function MatchResult({ painted }: { painted: Painted }) {
  const match = useQuery(queries.match(painted.id));
  if (match.isError) return <Failed why={wording(match.error)} onAgain={() => void match.refetch()} />;
  if (!match.data) return <p className="p-4 text-soft">Trying the shelf…</p>;
  const m = match.data;
  return (
    <section aria-label="The match" className="flex flex-col gap-3" data-testid="match">
      <div className="grid grid-cols-1 gap-3 md:grid-cols-2">
        <Looks match={m} />
        <Unifier match={m} />
      </div>
      <Coats match={m} />
      <Adopt painted={painted} match={m} />
      {painted.note && <p className="px-1 text-sm text-soft">{painted.note}</p>}
    </section>
  );
}

const heights = ["recess", "face", "edge"];
const threeDe = (values: number[]) => values.map((v, i) => `${heights[i]} ${number(v)}`).join(", ");

function Looks({ match }: { match: Match }) {
  const worst = Math.max(...match.closest);
  return (
    <div className="rounded-lg border border-line bg-panel p-3 text-sm">
      <h2 className="mb-2 font-semibold">From today’s shelf</h2>
      <div className="mb-2 flex items-center gap-3">
        <Chip colour={match.then} className="h-12 w-32" title="then: recess, face, edge" />
        <Chip colour={match.now} className="h-12 w-32" title="now: recess, face, edge" />
        <p>
          then, and now
          <span className="block text-soft">dE: {threeDe(match.closest)}</span>
        </p>
      </div>
      <p>
        {worst < 1
          ? "The new set will match: nobody will see a difference."
          : worst < 3
            ? "Side by side a difference can be seen; from the edge of the table it can’t."
            : "It will be seen that these are two sets. The filter and dust beside bring them together."}
      </p>
      {match.standIns.map((s) => (
        <p key={s.then} className="mt-1 flex items-center gap-2">
          <Chip colour={s.nowColour ? [s.thenColour, s.nowColour] : s.thenColour} className="h-4 w-10" />
          <span>
            <strong>{s.then}</strong> is gone;{" "}
            {s.now ? `${s.now} stands in, ${offFigure(s.deltaE)}` : "nothing of its family is left"}.
          </span>
        </p>
      ))}
      {match.changed.map((c) => (
        <p key={c} className="mt-1 text-risk">
          {c}
        </p>
      ))}
      {match.standIns.length === 0 && match.changed.length === 0 && (
        <p className="mt-1 text-soft">Everything that was used is still on the shelf, unchanged.</p>
      )}
    </div>
  );
}

function Unifier({ match: { unifier: u } }: { match: Match }) {
  return (
    <div className="rounded-lg border border-line bg-panel p-3 text-sm">
      <h2 className="mb-2 font-semibold">To bring both together</h2>
      {!u.filter && !u.dust ? (
        <p className="text-soft">
          No filter or dust of the shelf would bring them nearer without changing the old set too much.
        </p>
      ) : (
        <>
          <ul className="mb-2 list-disc pl-5">
            {u.filter && (
              <li>
                <strong>{u.filter}</strong> as a filter over both, {number(u.filterPercent ?? 0)} % in acrylic medium
              </li>
            )}
            {u.dust && (
              <li>
                <strong>{u.dust}</strong> as dust over both, {dust(u.dustHand ?? 1)}
              </li>
            )}
          </ul>
          <div className="flex items-center gap-3">
            <Chip colour={[u.oldFace, u.newFace]} className="h-10 w-24" title="old and new face, with both" />
            <p>
              dE before: {threeDe(u.before)}
              <span className="block font-semibold">after: {threeDe(u.after)}</span>
              <span className="block text-soft">the old set itself comes out {offFigure(u.shift)}</span>
            </p>
          </div>
        </>
      )}
    </div>
  );
}

const dust = (hand: number) =>
  hand < 0.7 ? "sparingly" : hand < 1 ? "lightly" : hand === 1 ? "as usual" : hand < 2 ? "generously" : "heavily";

function Coats({ match }: { match: Match }) {
  return (
    <div className="rounded-lg border border-line bg-panel">
      <h2 className="border-b border-line px-3 py-2 text-sm font-semibold">Coats, from the substrate up</h2>
      <ol>
        {match.coats.map((c, i) => (
          <li
            key={i}
            className="grid grid-cols-[1.2rem_minmax(0,1fr)_3.5rem_minmax(0,1fr)] items-center sm:grid-cols-[2rem_9rem_3.5rem_minmax(0,1fr)_3.5rem_minmax(0,1fr)] gap-2 border-b border-line px-3 py-1.5 text-sm last:border-b-0"
          >
            <span className="text-soft">{i + 1}</span>
            <span>
              {c.title}
              <span className="block text-xs text-soft">
                {c.passes} {c.passes === 1 ? "pass" : "passes"}, {number(c.paintFraction * 100, 0)} %
              </span>
            </span>
            <Chip colour={c.thenFace} title="the face then" />
            <span>{c.then}</span>
            <Chip colour={c.nowFace} title="the face now" />
            <span className={c.now ? "font-semibold text-risk" : "text-soft"}>{c.now ?? "the same"}</span>
          </li>
        ))}
      </ol>
    </div>
  );
}

function Adopt({ painted, match }: { painted: Painted; match: Match }) {
  const zones = zoneOptions(useQuery(queries.zones()).data);
  const [zone, setZone] = useState("");
  const [withUnifier, setWithUnifier] = useState(false);
  const navigate = useNavigate();
  const chosen = zone || zones[0]?.value || "";
  async function adopt() {
    try {
      const page = await ask(api.GET("/api/zones/{id}", { params: { path: { id: chosen } } }));
      await ask(
        api.POST("/api/painted/{id}/adopt", {
          params: { path: { id: painted.id } },
          body: { zoneId: chosen, schemeVersion: page.scheme.version, withUnifier },
        }),
      );
      await changed("stack", "mixes");
      notify("The closest stack is there.", () => void restoreCoats(chosen, page.scheme.coats));
      void navigate(`/zone/${chosen}`);
    } catch (error) {
      notify(wording(error));
    }
  }
  if (zones.length === 0) return null;
  return (
    <div className="flex flex-wrap items-center gap-3 rounded-lg border border-line bg-panel p-3 text-sm">
      <span>Paint the closest stack on</span>
      <div className="w-72">
        <Choice label="Zone to match" value={chosen} options={zones} onChange={setZone} />
      </div>
      {(match.unifier.filter || match.unifier.dust) && (
        <Toggle label="with filter and dust" checked={withUnifier} onChange={setWithUnifier} />
      )}
      <Button look="main" disabled={match.standIns.some((s) => !s.now)} onClick={() => void adopt()}>
        Make it that zone’s stack
      </Button>
    </div>
  );
}
