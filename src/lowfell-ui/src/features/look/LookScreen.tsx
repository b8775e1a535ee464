import { useQuery } from "@tanstack/react-query";
import { Download, SkipBack, SkipForward } from "lucide-react";
import { lazy, Suspense, useMemo, useState } from "react";
import { useParams, useSearchParams } from "react-router";
import { fetchMade, wording } from "../../api/client";
import { pictureOf } from "../../api/lookQueries";
import { queries } from "../../api/queries";
import type { PieceLook } from "../../api/types";
import { choices, lampWord, number } from "../../api/words";
import { saveFile } from "../../craft/saveFile";
import { useMade } from "../../craft/useMade";
import { Button, Choice, Failed, Field, IconButton, Menu, notify, Toggle } from "../../ui";
import { type Beside, BesideControls, nothingBeside, trialOf } from "./Beside";
import type { Shown } from "./LookRenderer";
import { SharedView } from "./SharedView";
import { ShownAs } from "./ShownAs";
import { TrueSize } from "./TrueSize";

const Stage = lazy(() => import("./LookStage"));

const distances = [0, 300, 600, 1200, 2000];
const everywhere = "all";

/** The distance that is drawn which is nearest to one that was asked for, mm. */
const nearestDistance = (mm: number) =>
  mm > 0 ? distances.reduce((best, d) => (Math.abs(d - mm) < Math.abs(best - mm) ? d : best)) : 0;

/** What the piece will look like: the plan painted on it, coat by coat. */
export function LookScreen() {
  const { pieceId = "" } = useParams();
  // What is chosen of one piece is nothing of the next.
  return <OfPiece key={pieceId} pieceId={pieceId} />;
}

function OfPiece({ pieceId }: { pieceId: string }) {
  const [search, setSearch] = useSearchParams();
  const [lamp, setLamp] = useState<PieceLook["lamp"]>("daylight");
  const [apart, setApart] = useState(false);
  const copy = Math.max(1, Number(search.get("copy")) || 1);
  const [zone, setZone] = useState(everywhere);
  const [beside, setBeside] = useState<Beside>(nothingBeside);
  const look = useQuery(queries.look(pieceId, lamp, copy, apart));
  const other = useQuery(
    queries.look(
      pieceId,
      lamp,
      beside.kind === "copy" ? beside.copy : copy,
      apart,
      trialOf(beside, look.data?.zones.find((z) => z.id === zone)?.id),
    ),
  );
  const mesh = useQuery(queries.mesh(look.data?.mesh));
  const otherMesh = useQuery(queries.mesh(other.data?.mesh));
  const piece = useQuery(queries.piece(pieceId));
  const [moments, setMoments] = useState<[number | undefined, number | undefined]>([undefined, undefined]);
  const [wet, setWet] = useState(false);
  const [only, setOnly] = useState(false);
  const [distance, setDistance] = useState(() => nearestDistance(Number(search.get("from"))));
  const [scale, setScale] = useState(0);
  const [failed, setFailed] = useState(false);
  const [views] = useState(() => new SharedView());
  if (look.error) return <Failed why={wording(look.error)} onAgain={() => void look.refetch()} />;
  if (mesh.error) return <Failed why={wording(mesh.error)} onAgain={() => void mesh.refetch()} />;
  if (!look.data || !piece.data) return <p className="p-6 text-soft">Painting it…</p>;
  const data = look.data;
  const place = data.zones.findIndex((z) => z.id === zone);
  const two = beside.kind !== "nothing";
  // Another moment is of the same look; what else stands beside it shows the same moment.
  const asked = beside.kind === "moment" || !two ? data : (other.data ?? data);
  const looks = [data, asked] as const;
  const meshes = [mesh.data, asked === data ? mesh.data : otherMesh.data] as const;
  const mostOf = (of: PieceLook) =>
    place >= 0 ? (of.zones[place]?.coats.length ?? 0) : Math.max(0, ...of.zones.map((z) => z.coats.length));
  const at = (which: 0 | 1) => {
    const most = mostOf(looks[which]);
    if (beside.kind === "moment") return Math.min(most, moments[which] ?? (which === 0 ? most : Math.max(0, most - 1)));
    return moments[0] === undefined || moments[0] >= mostOf(data) ? most : Math.min(most, moments[0]);
  };
  const set = (which: 0 | 1, to: number) =>
    setMoments((m) => (which === 0 ? [to, m[1]] : [m[0], to]) as [number | undefined, number | undefined]);
  const name = piece.data.piece.piece.name;
  const copies = piece.data.hasTray || data.marks.length > 0 ? piece.data.piece.piece.copies : 1;
  const picture = (which: 0 | 1) => {
    const laid = at(which);
    return failed ? (
      <Plain
        pieceId={pieceId}
        zoneId={place >= 0 ? zone : undefined}
        coats={Math.round(laid)}
        lamp={lamp}
        copy={which === 1 && beside.kind === "copy" ? beside.copy : copy}
        wet={wet}
        label={name}
      />
    ) : meshes[which] ? (
      <Suspense fallback={<p className="p-6">Setting it up…</p>}>
        <Painted
          look={looks[which]}
          glb={meshes[which]}
          place={place}
          laid={laid}
          wet={wet}
          views={views}
          lit={only ? place : -1}
          distance={distance}
          label={`${name}, ${momentWord(looks[which], place, laid)}, ${lampWord[lamp]}`}
          onScale={which === 0 ? setScale : undefined}
          onFail={() => setFailed(true)}
        />
      </Suspense>
    ) : (
      <p className="p-6">Making its surface…</p>
    );
  };
  const scrubber = (which: 0 | 1) => (
    <Scrubber
      look={looks[which]}
      place={place}
      most={mostOf(looks[which])}
      at={at(which)}
      onTo={(to) => set(which, to)}
    />
  );
  return (
    <div className="grid flex-1 grid-cols-1 items-start gap-3 lg:grid-cols-[minmax(0,1fr)_18rem]">
      <section
        aria-label="Look"
        className="flex min-w-0 flex-col overflow-hidden rounded-lg border border-line bg-panel lg:sticky lg:top-2 lg:h-[calc(100dvh-6.75rem)] lg:min-h-96"
      >
        <div className={`grid min-h-72 flex-1 grid-cols-1 gap-px bg-line ${two ? "sm:grid-cols-2" : ""}`}>
          {(two ? ([0, 1] as const) : ([0] as const)).map((which) => (
            <div key={which} className="relative flex min-h-72 flex-col" style={{ background: "var(--swatch)" }}>
              <div className="relative min-h-64 flex-1">
                <div className="absolute inset-0">{picture(which)}</div>
                {two && beside.kind !== "moment" && (
                  <p className="pointer-events-none absolute top-2 left-2 rounded bg-panel px-2 py-0.5 text-xs font-semibold">
                    {which === 0 ? (beside.kind === "copy" ? `copy ${copy}` : "as planned") : besideWord(beside)}
                  </p>
                )}
              </div>
              {beside.kind === "moment" && scrubber(which)}
            </div>
          ))}
        </div>
        {beside.kind !== "moment" && scrubber(0)}
      </section>
      <div className="flex flex-col gap-3 text-sm">
        <section aria-label="Seen" className="flex flex-col gap-3 rounded-lg border border-line bg-panel p-3">
          <Field label="Light">
            {(id) => <Choice id={id} label="Light" value={lamp} options={choices(lampWord)} onChange={setLamp} />}
          </Field>
          <Field label="From">
            {(id) => (
              <Choice
                id={id}
                label="From"
                value={String(distance)}
                options={distances.map((d) => ({
                  value: String(d),
                  label: d === 0 ? "the hand" : `${number(d / 1000, 1)} m away`,
                }))}
                onChange={(d) => setDistance(Number(d))}
              />
            )}
          </Field>
          {!failed && <TrueSize pxPerMm={scale} distance={distance} />}
          <Field label="Coats of">
            {(id) => (
              <Choice
                id={id}
                label="Coats of"
                value={place >= 0 ? zone : everywhere}
                options={[
                  { value: everywhere, label: "all zones" },
                  ...data.zones.filter((z) => z.shown).map((z) => ({ value: z.id, label: z.name })),
                ]}
                onChange={(to) => {
                  setZone(to);
                  setMoments([undefined, undefined]);
                  setBeside((b) => ({
                    ...b,
                    kind: b.kind === "moment" || b.kind === "copy" ? b.kind : "nothing",
                    coatId: undefined,
                  }));
                }}
              />
            )}
          </Field>
          {place >= 0 && <Toggle label="The others grey" checked={only} onChange={setOnly} />}
          <Toggle label="The last coat still wet" checked={wet} onChange={setWet} />
          <BesideControls
            value={beside}
            zone={failed ? undefined : data.zones[place]}
            copies={copies}
            onChange={setBeside}
          />
          {two && other.error && (
            <p role="alert" className="font-semibold text-stop">
              {wording(other.error)}
            </p>
          )}
          {data.zones.some((z) => z.name.includes(": ")) || apart ? (
            <Toggle label="Without the parts that fit on it" checked={apart} onChange={setApart} />
          ) : null}
          {copies > 1 && (
            <Field label="Copy">
              {(id) => (
                <Choice
                  id={id}
                  label="Copy"
                  value={String(Math.min(copy, copies))}
                  options={Array.from({ length: copies }, (_, i) => ({ value: String(i + 1), label: `copy ${i + 1}` }))}
                  onChange={(c) => setSearch({ copy: c }, { replace: true })}
                />
              )}
            </Field>
          )}
          <Menu
            label="Save pictures"
            icon={<Download size={15} aria-hidden />}
            items={[
              { label: "Picture, PNG", onSelect: () => savePicture(name) },
              {
                label: "Painted surface, GLB",
                onSelect: () => void saveSurface(pieceId, lamp, copy),
              },
            ]}
          />
        </section>
        <ShownAs look={data} />
        {failed && (
          <p className="rounded-lg border border-line bg-panel p-3 text-soft" role="status">
            This browser draws no surfaces of its own; the host draws them instead.{" "}
            <Button look="quiet" onClick={() => setFailed(false)}>
              Try again
            </Button>
          </p>
        )}
      </div>
    </div>
  );
}

const besideWord = (b: Beside) =>
  b.kind === "copy" ? `copy ${b.copy}` : b.kind === "scheme" ? "the other scheme" : "done differently";

interface PaintedProps {
  look: PieceLook;
  glb: ArrayBuffer;
  place: number;
  laid: number;
  wet: boolean;
  views: SharedView;
  lit: number;
  distance: number;
  label: string;
  onScale: ((pxPerMm: number) => void) | undefined;
  onFail: () => void;
}

function Painted({ look, glb, place, laid, wet, views, lit, distance, label, onScale, onFail }: PaintedProps) {
  const shown = useMemo<Shown>(
    () => ({
      coats: look.zones.map((z, i) => (place < 0 || i === place ? Math.min(laid, z.coats.length) : z.coats.length)),
      wet,
      lit,
      plain: false,
      distanceMm: distance,
    }),
    [look, place, laid, wet, lit, distance],
  );
  return <Stage look={look} glb={glb} shown={shown} views={views} label={label} onScale={onScale} onFail={onFail} />;
}

function momentWord(look: PieceLook, place: number, laid: number): string {
  const whole = Math.round(laid);
  if (whole === 0) return "bare";
  if (place < 0) return look.zones.every((z) => z.coats.length <= whole) ? "finished" : "on each zone";
  return look.zones[place]!.coats[whole - 1]?.what ?? "";
}

interface ScrubberProps {
  look: PieceLook;
  place: number;
  most: number;
  at: number;
  onTo: (to: number) => void;
}

/** Goes through the coats: by hand between them, by keys from one to the next. */
function Scrubber({ look, place, most, at, onTo }: ScrubberProps) {
  const word = momentWord(look, place, at);
  return (
    <div className="flex items-center gap-2 border-t border-line bg-panel px-3 py-2 text-sm">
      <IconButton label="One coat less" disabled={at <= 0} onClick={() => onTo(Math.max(0, Math.ceil(at) - 1))}>
        <SkipBack size={15} aria-hidden />
      </IconButton>
      <input
        type="range"
        className="min-w-0 flex-1 accent-accent"
        aria-label="Coats laid"
        aria-valuetext={word}
        min={0}
        max={most}
        step={0.05}
        value={at}
        onChange={(e) => onTo(Number(e.target.value))}
        onKeyDown={(e) => {
          const by = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1 }[e.key];
          if (!by) return;
          e.preventDefault();
          onTo(Math.max(0, Math.min(most, by > 0 ? Math.floor(at) + 1 : Math.ceil(at) - 1)));
        }}
      />
      <IconButton label="One coat more" disabled={at >= most} onClick={() => onTo(Math.min(most, Math.floor(at) + 1))}>
        <SkipForward size={15} aria-hidden />
      </IconButton>
      <span className="w-40 truncate xl:w-52" title={word} data-testid="moment">
        <strong className="tabular-nums">
          {Math.round(at)} of {most}
        </strong>{" "}
        {word}
      </span>
    </div>
  );
}

interface PlainProps {
  pieceId: string;
  zoneId: string | undefined;
  coats: number;
  lamp: string;
  copy: number;
  wet: boolean;
  label: string;
}

/** The host's own picture, where the browser draws none; turned by buttons. */
function Plain({ pieceId, zoneId, coats, lamp, copy, wet, label }: PlainProps) {
  const [turn, setTurn] = useState(-32);
  const { failed, image } = useMade(pictureOf(pieceId, { w: 900, h: 600, zoneId, coats, lamp, copy, wet, turn }));
  const { key, ...of } = image;
  return (
    <div className="flex size-full flex-col items-center">
      {failed ? (
        <p className="flex-1 content-center text-soft">The picture did not come.</p>
      ) : (
        <img key={key} {...of} className="min-h-0 flex-1 object-contain" alt={label} />
      )}
      <div className="flex gap-2 p-2">
        <Button onClick={() => setTurn(turn - 30)}>Turn left</Button>
        <Button onClick={() => setTurn(turn + 30)}>Turn right</Button>
      </div>
    </div>
  );
}

function savePicture(name: string) {
  document.querySelector<HTMLCanvasElement>("[data-testid=look]")?.toBlob((blob) => {
    if (blob) saveFile(blob, `${name}.png`);
  });
}

// Its surface may have to be made first.
async function saveSurface(pieceId: string, lamp: string, copy: number) {
  try {
    const answer = await fetchMade(`/api/pieces/${pieceId}/look.glb?lamp=${lamp}&copy=${copy}`);
    const name = /filename="?([^";]+)/.exec(answer.headers.get("Content-Disposition") ?? "")?.[1];
    saveFile(await answer.blob(), name ?? "piece.glb");
  } catch (error) {
    notify(wording(error));
  }
}
