import type { ReactNode } from "react";
import type { Finding } from "../../api/types";
import { SeverityMark } from "../../ui";

interface Props {
  finding: Pick<Finding, "severity" | "what" | "why" | "rests">;
  open: boolean;
  onPress: () => void;
  /** Where it sits. */
  place?: ReactNode;
  end?: ReactNode;
}

/** What and why of a finding, or the reason why it rests; a press looks into it. */
export function FindingHead({ finding: f, open, onPress, place, end }: Props) {
  const rests = f.rests != null;
  return (
    <button
      type="button"
      aria-expanded={open}
      onClick={onPress}
      className={`flex w-full items-start gap-2 text-left text-sm ${rests ? "text-soft" : ""}`}
    >
      <span className={`pt-0.5 ${rests ? "opacity-50" : ""}`}>
        <SeverityMark severity={f.severity} />
      </span>
      <span className="min-w-0 flex-1">
        <span className={rests ? "" : "font-semibold"}>{f.what}</span>
        <span className="block text-soft">{rests ? `“${f.rests}”` : f.why}</span>
        {!rests && place && <span className="block text-xs text-soft">{place}</span>}
      </span>
      {end}
    </button>
  );
}
