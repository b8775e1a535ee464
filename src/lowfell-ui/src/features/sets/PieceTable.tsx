import { useQuery } from "@tanstack/react-query";
import { memo, type RefObject, useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import { bounds } from "../../api/bounds";
import { wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { PieceDraft, PieceView, SetView, ZoneSettings, ZoneView } from "../../api/types";
import { area, choices, reliefWord, sheenWord, substrateWord } from "../../api/words";
import { Button, Choice, NumberInput, notify, own, TextInput } from "../../ui";
import { shapes, unitOf } from "./shapes";
import { useGrowing } from "./useGrowing";
import type { useTree } from "./useTree";

type Tree = ReturnType<typeof useTree>;

/** What a row does is asked when it is done: it is drawn again only where its piece is another. */
interface Acts {
  set: SetView;
  tree: Tree;
  choose: (ids: string[], on: boolean) => void;
}

const asIs = "as it is";

/** The pieces and zones of a set as a table: figures are changed where they stand, chosen zones all at once. */
export function PieceTable({ set, tree }: { set: SetView; tree: Tree }) {
  const [chosen, setChosen] = useState<string[]>([]);
  const drawn = useGrowing(set.pieces.length);
  const zones = set.pieces.flatMap((p) => p.zones.map((zone) => ({ piece: p, zone })));
  const picked = zones.filter(({ zone }) => chosen.includes(zone.id));
  const choose = (ids: string[], on: boolean) =>
    setChosen(on ? [...new Set([...chosen, ...ids])] : chosen.filter((id) => !ids.includes(id)));
  const acts = useRef<Acts>({ set, tree, choose });
  acts.current = { set, tree, choose };
  return (
    <>
      <Bulk picked={picked} tree={tree} onDone={() => setChosen([])} />
      <div className="overflow-x-auto">
        <table className="w-full min-w-[52rem] table-fixed text-sm" data-testid="piece-table">
          <thead className="text-left text-xs text-soft">
            <tr>
              <th className="w-8 py-1 pl-3 align-middle leading-none">
                <input
                  type="checkbox"
                  aria-label="Every zone"
                  className="size-4 accent-accent"
                  checked={zones.length > 0 && picked.length === zones.length}
                  onChange={(e) =>
                    choose(
                      zones.map((z) => z.zone.id),
                      e.target.checked,
                    )
                  }
                />
              </th>
              <th className="font-semibold">Piece, zone</th>
              <th className="w-20 font-semibold">copies</th>
              <th className="w-72 font-semibold">
                size, {own("mm").unit} (a free shape: {own("mm²").unit})
              </th>
              <th className="w-40 font-semibold">made of, or relief</th>
              <th className="w-28 pr-3 text-right font-semibold">area each</th>
            </tr>
          </thead>
          {set.pieces.slice(0, drawn).map((p) => (
            <PieceBody
              key={p.id}
              piece={p}
              chosen={chosen.filter((id) => p.zones.some((z) => z.id === id)).join()}
              acts={acts}
            />
          ))}
        </table>
      </div>
    </>
  );
}

interface BodyProps {
  piece: PieceView;
  /** Ids of its zones that are ticked, one after the other. */
  chosen: string;
  acts: RefObject<Acts>;
}

const PieceBody = memo(function PieceBody({ piece, chosen, acts }: BodyProps) {
  return (
    <tbody className="border-t border-line">
      <PieceRow piece={piece} acts={acts} />
      {piece.zones.map((z) => (
        <tr key={z.id} className={chosen.includes(z.id) ? "bg-tint" : ""}>
          <td className="pl-3 align-middle leading-none">
            <input
              type="checkbox"
              aria-label={`${piece.piece.name}: ${z.settings.name}`}
              className="size-4 accent-accent"
              checked={chosen.includes(z.id)}
              onChange={(e) => acts.current.choose([z.id], e.target.checked)}
            />
          </td>
          <td colSpan={3} className="py-0.5 pl-4">
            <Link to={`/piece/${piece.id}/coats/${z.id}`} className="hover:underline">
              {z.settings.name}
            </Link>
            <span className="text-soft">
              , coats of {z.schemeName}, {sheenWord[z.settings.finish]}
            </span>
          </td>
          <td>{reliefWord[z.settings.relief]}</td>
          <td className="pr-3 text-right">{area(z.areaMm2)}</td>
        </tr>
      ))}
    </tbody>
  );
});

/** A piece whose figures are kept as soon as its row is left. */
function PieceRow({ piece, acts }: { piece: PieceView; acts: RefObject<Acts> }) {
  const [draft, setDraft] = useState(piece.piece);
  const [fault, setFault] = useState<string>();
  // What comes from the host is taken over, but not over what is being typed.
  const base = useRef(piece.piece);
  const kept = useRef("");
  useEffect(() => {
    const untouched = base.current;
    base.current = piece.piece;
    kept.current = JSON.stringify(piece.piece);
    setDraft((typed) => (JSON.stringify(typed) === JSON.stringify(untouched) ? piece.piece : typed));
  }, [piece.piece]);
  const put = (part: Partial<PieceDraft>) => setDraft({ ...draft, ...part });
  async function keep(next = draft) {
    const text = JSON.stringify(next);
    if (text === JSON.stringify(piece.piece) || text === kept.current) return setFault(undefined);
    kept.current = text;
    try {
      await acts.current.tree.savePiece(acts.current.set, next, piece);
      setFault(undefined);
    } catch (error) {
      kept.current = "";
      setFault(wording(error));
    }
  }
  // A row that goes with its screen is left as well.
  const leave = useRef(keep);
  leave.current = keep;
  useEffect(() => () => void leave.current(), []);
  const of = (what: string) => `${what} of ${piece.piece.name}`;
  return (
    <>
      <tr onBlur={(e) => !e.currentTarget.contains(e.relatedTarget) && void keep()}>
        <td />
        <td className="py-1 pr-2">
          <TextInput
            aria-label={of("Name")}
            {...bounds.PieceDraft.name}
            className="font-semibold"
            value={draft.name}
            onChange={(e) => put({ name: e.target.value })}
          />
        </td>
        <td className="pr-2">
          <NumberInput
            label={of("Copies")}
            value={draft.copies}
            bound={bounds.PieceDraft.copies}
            onChange={(v) => put({ copies: Math.round(v) })}
          />
        </td>
        <td className="pr-2">
          <span className="flex gap-1">
            {shapes
              .find((s) => s.value === draft.shape)!
              .sizes.map(([size, word]) => (
                <span key={size} className="min-w-0 flex-1" title={word}>
                  <NumberInput
                    label={of(word)}
                    value={draft[size]}
                    bound={bounds.PieceDraft[size]}
                    unit={unitOf(size)}
                    bare
                    onChange={(v) => put({ [size]: v })}
                  />
                </span>
              ))}
          </span>
        </td>
        <td>
          <Choice
            label={of("Substrate")}
            value={draft.substrate}
            options={choices(substrateWord)}
            onChange={(substrate) => {
              put({ substrate });
              void keep({ ...draft, substrate });
            }}
          />
        </td>
        <td className="pr-3 text-right">{area(piece.areaMm2)}</td>
      </tr>
      {fault && (
        <tr>
          <td />
          <td colSpan={5} role="alert" className="pb-1 font-semibold text-stop">
            {fault}
          </td>
        </tr>
      )}
    </>
  );
}

interface Picked {
  piece: PieceView;
  zone: ZoneView;
}

/** One change for all chosen zones, with one way back. */
function Bulk({ picked, tree, onDone }: { picked: Picked[]; tree: Tree; onDone: () => void }) {
  const schemes = useQuery(queries.schemes());
  const [scheme, setScheme] = useState(asIs);
  const [relief, setRelief] = useState<ZoneSettings["relief"] | typeof asIs>(asIs);
  const [finish, setFinish] = useState<ZoneSettings["finish"] | typeof asIs>(asIs);
  const [busy, setBusy] = useState(false);
  const change: Partial<ZoneSettings> = {
    ...(scheme === asIs ? {} : { schemeId: scheme }),
    ...(relief === asIs ? {} : { relief }),
    ...(finish === asIs ? {} : { finish }),
  };
  async function apply() {
    setBusy(true);
    const before = picked.map(({ zone }) => ({ zone, settings: zone.settings }));
    try {
      await tree.saveZones(picked.map(({ zone }) => ({ zone, settings: { ...zone.settings, ...change } })));
      const text = `${picked.length} ${picked.length === 1 ? "zone is" : "zones are"} changed.`;
      notify(text, () => void tree.putZonesBack(before));
      onDone();
    } catch (error) {
      notify(wording(error));
    }
    setBusy(false);
  }
  if (picked.length === 0)
    return (
      <p className="px-3 py-2 text-sm text-soft">Tick zones to give all of them the same coats, relief or finish.</p>
    );
  return (
    <div className="flex flex-wrap items-center gap-2 px-3 py-1.5 text-sm">
      <span>
        {picked.length} {picked.length === 1 ? "zone" : "zones"}:
      </span>
      <div className="w-52">
        <Choice
          label="Coats of the chosen zones"
          value={scheme}
          options={[
            { value: asIs, label: "coats as they are" },
            ...(schemes.data ?? []).map((s) => ({ value: s.id, label: `coats of ${s.name}` })),
          ]}
          onChange={setScheme}
        />
      </div>
      <div className="w-40">
        <Choice
          label="Relief of the chosen zones"
          value={relief}
          options={[{ value: asIs, label: "relief as it is" }, ...choices(reliefWord)]}
          onChange={setRelief}
        />
      </div>
      <div className="w-40">
        <Choice
          label="Finish of the chosen zones"
          value={finish}
          options={[{ value: asIs, label: "finish as it is" }, ...choices(sheenWord)]}
          onChange={setFinish}
        />
      </div>
      <Button look="main" disabled={busy || Object.keys(change).length === 0} onClick={() => void apply()}>
        Change {picked.length === 1 ? "it" : "them"}
      </Button>
    </div>
  );
}
