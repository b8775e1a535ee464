import { RotateCcw, Trash2 } from "lucide-react";
import { bounds } from "../../api/bounds";
import type { BoardView } from "../../api/types";
import { length } from "../../api/units";
import { boardSideWord, partMovesWord } from "../../api/words";
import { Button, Choice, Field, NumberInput, TextInput } from "../../ui";
import { sizeOf, type Standing, turned } from "./place";
import type { BoardHands } from "./useBoard";

type Meeting = BoardView["answer"]["joins"][number];
type OwnPiece = BoardView["board"]["pieces"][number];
type Part = OwnPiece["parts"][number];

/** One copy on the board: how it stands, what its sides meet, what moves on it. */
export function ChosenCopy({ view, hands, copy }: { view: BoardView; hands: BoardHands; copy: Standing }) {
  const piece = view.pieces.find((p) => p.id === copy.pieceId)!;
  const b = bounds.StandingCopy;
  const size = sizeOf(hands.board, piece);
  const change = (to: Partial<Standing>) =>
    void hands.keep(
      (now) => ({ ...now, copies: now.copies.map((c) => (c.id === copy.id ? { ...c, ...to } : c)) }),
      `${copy.id} ${to.turn === undefined ? Object.keys(to).join() : ""}`.trim(),
    );
  const joins = view.answer.joins.filter((j) => j.a === copy.id || j.b === copy.id);
  const name = piece.copies > 1 ? `${piece.name} ${copy.copy}` : piece.name;
  return (
    <section aria-label={name} className="rounded-lg border border-line bg-panel p-3" data-testid="chosen-copy">
      <div className="flex items-center gap-1">
        <h2 className="min-w-0 flex-1 truncate font-semibold">{name}</h2>
        <Button onClick={() => change({ turn: turned(copy).turn })}>
          <RotateCcw size={15} aria-hidden /> Turn
        </Button>
        <Button
          onClick={() => void hands.keep((now) => ({ ...now, copies: now.copies.filter((c) => c.id !== copy.id) }))}
        >
          <Trash2 size={15} aria-hidden /> Take off
        </Button>
      </div>
      <div className="mt-2 grid grid-cols-2 gap-2">
        <Field label="Left foot above the table">
          {(id) => (
            <NumberInput id={id} value={copy.onMm} bound={b.onMm} unit="mm" onChange={(onMm) => change({ onMm })} />
          )}
        </Field>
        <Field label="Foot rises to the right">
          {(id) => (
            <NumberInput
              id={id}
              value={copy.tiltDeg}
              bound={b.tiltDeg}
              unit="degrees"
              onChange={(tiltDeg) => change({ tiltDeg })}
            />
          )}
        </Field>
      </div>
      <h3 className="mt-3 text-sm font-semibold">What it meets</h3>
      {joins.length === 0 && <p className="text-sm text-soft">Nothing: push it against another piece.</p>}
      <ul className="flex flex-col gap-2" data-testid="joins">
        {joins.map((j) => (
          <Join key={`${j.a} ${j.aSide} ${j.b} ${j.bSide}`} view={view} hands={hands} join={j} of={copy} />
        ))}
      </ul>
      <details className="mt-3 text-sm">
        <summary className="cursor-pointer font-semibold">Its size, ends and moving parts</summary>
        <OfPiece
          hands={hands}
          pieceId={piece.id}
          size={size}
          own={hands.board.pieces.find((p) => p.pieceId === piece.id)}
        />
      </details>
    </section>
  );
}

const same = (a: { a: string; aSide: string; b: string; bSide: string }, j: Meeting) =>
  (a.a === j.a && a.aSide === j.aSide && a.b === j.b && a.bSide === j.bSide) ||
  (a.a === j.b && a.aSide === j.bSide && a.b === j.a && a.bSide === j.aSide);

/** Two sides that meet: the step between their feet, and the room that paint leaves. */
function Join({ view, hands, join, of }: { view: BoardView; hands: BoardHands; join: Meeting; of: Standing }) {
  const b = bounds.MeasuredJoin;
  const other = view.answer.copies.find((c) => c.id === (join.a === of.id ? join.b : join.a));
  const mine = join.a === of.id ? join.aSide : join.bSide;
  const theirs = join.a === of.id ? join.bSide : join.aSide;
  const measured = hands.board.joins.find((m) => same(m, join));
  const change = (to: { stepMm?: number | null; gapMm?: number | null }) =>
    void hands.keep(
      (now) => {
        const was = now.joins.find((m) => same(m, join));
        // As the join is told: foot of the second over that of the first.
        const turnedRound = was && was.a !== join.a;
        const kept = was
          ? turnedRound
            ? { ...join, stepMm: was.stepMm == null ? null : -was.stepMm, gapMm: was.gapMm }
            : was
          : { ...join, stepMm: null, gapMm: null };
        const { a, aSide, b: second, bSide, stepMm, gapMm } = { ...kept, ...to };
        const rest = now.joins.filter((m) => !same(m, join));
        const none = stepMm == null && gapMm == null;
        return { ...now, joins: none ? rest : [...rest, { a, aSide, b: second, bSide, stepMm, gapMm }] };
      },
      `${join.a} ${join.b} ${Object.keys(to).join()}`,
    );
  // The step as one stands at this copy: how much higher the other's foot is.
  const sign = join.a === of.id ? 1 : -1;
  return (
    <li className="border-t border-line pt-1.5 text-sm first:border-0">
      {other?.name ?? "the other"}:{" "}
      <span className="text-soft">
        its {boardSideWord[theirs]} at the {boardSideWord[mine]}
      </span>
      <span className="mt-1 grid grid-cols-2 gap-2">
        <Field label="Its foot is higher by" hint={join.measured ? undefined : "as both are set up"}>
          {(id) => (
            <NumberInput
              id={id}
              value={join.measured ? sign * join.stepMm + 0 : null}
              usual={Math.round(sign * join.stepMm * 100) / 100 + 0}
              bound={b.stepMm}
              unit="mm"
              onChange={(mm) => change({ stepMm: sign * mm })}
              onEmpty={() => change({ stepMm: null })}
            />
          )}
        </Field>
        <Field
          label="Room between"
          hint={`${length(join.paintMm)} of paint${join.gapLeftMm == null ? "" : `: ${length(join.gapLeftMm)} left`}`}
        >
          {(id) => (
            <NumberInput
              id={id}
              value={measured?.gapMm ?? null}
              bound={b.gapMm}
              unit="mm"
              onChange={(gapMm) => change({ gapMm })}
              onEmpty={() => change({ gapMm: null })}
            />
          )}
        </Field>
      </span>
      {join.gapLeftMm != null && join.gapLeftMm < 0 && (
        <p role="alert" className="font-semibold text-risk">
          Painted, they will not go together: sand or mask the faces that meet.
        </p>
      )}
      {Math.abs(join.missMm) > 0.05 && (
        <p className="text-soft">The heights found miss this step by {length(Math.abs(join.missMm))}.</p>
      )}
    </li>
  );
}

interface OfPieceProps {
  hands: BoardHands;
  pieceId: string;
  size: { lengthMm: number; widthMm: number; heightMm: number };
  own: OwnPiece | undefined;
}

const freshPart: Part = { name: "Turret", moves: "turns", fromMm: 0, toMm: 20, aboveMm: 0, heightMm: 20 };
const sizes = [
  ["lengthMm", "Left to right"],
  ["widthMm", "Front to back"],
  ["heightMm", "Height"],
] as const;

/** What holds for all copies of a piece: its size here, the classes of its ends, its parts that move. */
function OfPiece({ hands, pieceId, size, own }: OfPieceProps) {
  const b = bounds.StandingPiece;
  const change = (to: Partial<OwnPiece>) =>
    void hands.keep(
      (now) => {
        const was = now.pieces.find((p) => p.pieceId === pieceId) ?? {
          pieceId,
          lengthMm: null,
          widthMm: null,
          heightMm: null,
          parts: [],
        };
        return { ...now, pieces: [...now.pieces.filter((p) => p.pieceId !== pieceId), { ...was, ...to }] };
      },
      `${pieceId} ${Object.keys(to).join()}`,
    );
  const classOf = (side: "left" | "right") =>
    hands.board.classes.find((c) => c.pieceId === pieceId && c.side === side)?.class ?? "";
  const classed = (side: "left" | "right", name: string) =>
    void hands.keep((now) => {
      const rest = now.classes.filter((c) => c.pieceId !== pieceId || c.side !== side);
      return { ...now, classes: name.trim() ? [...rest, { pieceId, side, class: name.trim() }] : rest };
    });
  const parts = own?.parts ?? [];
  const part = (at: number, to: Partial<Part>) =>
    change({ parts: parts.map((p, i) => (i === at ? { ...p, ...to } : p)) });
  return (
    <div className="mt-2 flex flex-col gap-3">
      <span className="grid grid-cols-3 gap-2">
        {sizes.map(([key, label]) => (
          <Field key={key} label={label}>
            {(id) => (
              <NumberInput
                id={id}
                value={own?.[key] ?? null}
                usual={size[key]}
                bound={b[key]}
                unit="mm"
                onChange={(mm) => change({ [key]: mm })}
                onEmpty={() => change({ [key]: null })}
              />
            )}
          </Field>
        ))}
      </span>
      <span className="grid grid-cols-2 gap-2">
        {(["left", "right"] as const).map((side) => (
          <Field
            key={side}
            label={`Class of its ${boardSideWord[side]}`}
            hint={side === "left" ? "ends of one class meet in any order" : undefined}
          >
            {(id) => (
              <TextInput
                id={id}
                defaultValue={classOf(side)}
                {...bounds.ClassedSide.class}
                onBlur={(e) => e.target.value.trim() !== classOf(side) && classed(side, e.target.value)}
              />
            )}
          </Field>
        ))}
      </span>
      <ul className="flex flex-col gap-3">
        {parts.map((p, i) => (
          <li key={i} className="flex flex-col gap-1.5 border-t border-line pt-2">
            <span className="flex items-center gap-1">
              <TextInput
                aria-label="Name of the part"
                defaultValue={p.name}
                {...bounds.BoardPartDraft.name}
                onBlur={(e) => e.target.value.trim() && e.target.value !== p.name && part(i, { name: e.target.value })}
              />
              <Button onClick={() => change({ parts: parts.filter((_, k) => k !== i) })}>
                Take away<span className="sr-only">: {p.name}</span>
              </Button>
            </span>
            <Choice
              label={`How ${p.name} moves`}
              value={p.moves}
              options={(["turns", "lifts", "tilts"] as const).map((value) => ({ value, label: partMovesWord[value] }))}
              onChange={(moves) => part(i, { moves })}
            />
            <span className="grid grid-cols-2 gap-2">
              {(
                [
                  ["fromMm", "From the left"],
                  ["toMm", "To"],
                  ["aboveMm", "Foot above"],
                  ["heightMm", "Height"],
                ] as const
              ).map(([key, label]) => (
                <Field key={key} label={label}>
                  {(id) => (
                    <NumberInput
                      id={id}
                      value={p[key]}
                      bound={bounds.BoardPartDraft[key]}
                      unit="mm"
                      onChange={(mm) => part(i, { [key]: mm })}
                    />
                  )}
                </Field>
              ))}
            </span>
          </li>
        ))}
      </ul>
      <Button className="self-start" onClick={() => change({ parts: [...parts, freshPart] })}>
        Add a part that moves
      </Button>
    </div>
  );
}
