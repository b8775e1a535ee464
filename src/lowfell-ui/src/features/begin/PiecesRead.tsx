import type { Begun, BegunPiece, BegunZone, ReadyScheme } from "../../api/types";
import { fillingWord, substrateWord, thingKindWord } from "../../api/words";
import { Choice } from "../../ui";
import { LookPair } from "../../craft/LookPair";

interface Props {
  begun: Begun;
  ready: ReadyScheme[];
  onScheme: (line: number, zone: number, scheme: string) => void;
}

/** The pieces as they were read, each zone with its scheme and what it would look like from this shelf. */
export function PiecesRead({ begun, ready, onScheme }: Props) {
  return (
    <ul className="flex flex-col gap-3" data-testid="pieces-read">
      {begun.pieces.map((p) => (
        <li key={p.line} className="rounded-lg border border-line bg-panel p-3">
          <h3 className="font-semibold break-words">
            {p.fault == null && p.copies > 1 && `${p.copies} x `}
            {p.name || `Line ${p.line}`}
          </h3>
          {p.fault != null ? (
            <p className="text-sm font-semibold text-stop">{p.fault}</p>
          ) : (
            <>
              <p className="text-xs text-soft">
                taken for a {p.kind} of {substrateWord[p.substrate]}, {p.size}
              </p>
              <ul className="mt-2 grid gap-3 sm:grid-cols-2">
                {p.zones.map((z, i) => (
                  <Zone key={i} piece={p} zone={z} ready={ready} onScheme={(s) => onScheme(p.line, i, s)} />
                ))}
              </ul>
            </>
          )}
        </li>
      ))}
    </ul>
  );
}

function Zone({
  piece,
  zone,
  ready,
  onScheme,
}: {
  piece: BegunPiece;
  zone: BegunZone;
  ready: ReadyScheme[];
  onScheme: (scheme: string) => void;
}) {
  const suits = (r: ReadyScheme) => r.suits.some((s) => thingKindWord[s] === piece.kind);
  const options = [...ready]
    .sort((a, b) => Number(suits(b)) - Number(suits(a)))
    .map((r) => ({ value: r.name, label: r.name, group: suits(r) ? `For a ${piece.kind}` : "Others" }));
  const told = zone.roles.filter((r) => r.said);
  return (
    <li className="flex min-w-0 flex-col gap-1">
      <span className="text-xs font-semibold text-soft">{zone.name}</span>
      <Choice
        label={`Scheme of ${piece.name}, ${zone.name}`}
        value={zone.scheme}
        options={options}
        onChange={onScheme}
      />
      <LookPair written={zone.written} look={zone.look} />
      <span className="text-xs">{zone.words}</span>
      {told.length > 0 && (
        <ul className="text-xs">
          {told.map((r, i) => (
            <li
              key={i}
              className={r.filling === "toBuy" ? "font-semibold" : "text-soft"}
              title={fillingWord[r.filling]}
            >
              {r.said}
            </li>
          ))}
        </ul>
      )}
    </li>
  );
}
