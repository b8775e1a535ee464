import { useState } from "react";
import { Link } from "react-router";
import type { PieceFinding, PieceJudgement, ZonePage } from "../../api/types";
import { duration } from "../../api/words";
import { Button } from "../../ui";
import { FindingHead } from "./FindingHead";
import { Know } from "./Know";

interface Props {
  page: ZonePage;
  judgement: PieceJudgement | undefined;
  onShow: (finding: PieceFinding) => void;
  onKnow: (findings: PieceFinding[], reason: string | null) => void;
}

/** What the rules find over all zones of the piece: splashes, overspray, what no brush reaches, joins that bind. */
export function PieceFindings({ page, judgement, onShow, onKnow }: Props) {
  if (!judgement || (judgement.findings.length === 0 && !judgement.better)) return null;
  const names = new Map(page.around.zones.map((z) => [z.id, z.name]));
  return (
    <>
      <h3 className="border-b border-line px-4 pt-3 pb-1 text-xs font-semibold text-soft">Over the whole piece</h3>
      <ul>
        {ofOnePlace(judgement.findings).map(([f, ...also]) => (
          <Row
            key={`${f.rule} ${f.zoneId} ${f.coatId} ${f.withZoneId}`}
            finding={f}
            also={also}
            here={f.zoneId === page.id}
            zone={names.get(f.zoneId)}
            onShow={onShow}
            onKnow={onKnow}
          />
        ))}
      </ul>
      {judgement.better && (
        <p className="border-b border-line p-3 text-sm" data-testid="better-order">
          Painted in the order {judgement.better.zoneIds.map((id) => names.get(id)).join(", ")} it takes{" "}
          <strong className="font-semibold">{duration(judgement.better.savesMinutes)}</strong> less of touching up.{" "}
          <Link to="/sets" className="underline">
            Change the order
          </Link>
        </p>
      )}
    </>
  );
}

/** What is found of one coat beside one zone is told once, with all advice. */
function ofOnePlace(findings: PieceFinding[]): [PieceFinding, ...PieceFinding[]][] {
  const places = new Map<string, [PieceFinding, ...PieceFinding[]]>();
  for (const f of findings) {
    const place = `${f.zoneId} ${f.coatId} ${f.withZoneId} ${f.severity} ${f.rests == null}`;
    const there = places.get(place);
    if (there) there.push(f);
    else places.set(place, [f]);
  }
  return [...places.values()];
}

function Row({
  finding: f,
  also,
  here,
  zone,
  onShow,
  onKnow,
}: {
  finding: PieceFinding;
  also: PieceFinding[];
  here: boolean;
  zone: string | undefined;
  onShow: (finding: PieceFinding) => void;
  onKnow: (findings: PieceFinding[], reason: string | null) => void;
}) {
  const [open, setOpen] = useState(false);
  const rests = f.rests != null;
  return (
    <li data-rule={f.rule} data-rests={rests} className={`border-b border-line p-3 ${open ? "bg-tint" : ""}`}>
      <FindingHead
        finding={f}
        open={open}
        onPress={() => {
          setOpen(!open);
          if (here) onShow(f);
        }}
      />
      {open && (
        <div className="mt-1 flex flex-col gap-2 pl-6 text-sm">
          {[f, ...also].map((each) => (
            <p key={each.rule}>
              {each.advice} <span className="block text-xs text-soft">{each.figure}</span>
            </p>
          ))}
          {here ? (
            rests ? (
              <Button className="self-start" onClick={() => onKnow([f, ...also], null)}>
                Show it again
              </Button>
            ) : (
              <Know onKnow={(reason) => onKnow([f, ...also], reason)} />
            )
          ) : (
            <Link to={`/zone/${f.zoneId}`} className="underline">
              Go to {zone}
            </Link>
          )}
        </div>
      )}
    </li>
  );
}
