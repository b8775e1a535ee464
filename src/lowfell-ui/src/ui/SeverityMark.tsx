import type { Severity } from "../api/types";

const names: Record<Severity, string> = { stop: "Stop", risk: "Risk", note: "Note" };

/** Findings are told by shape first: a barred square, a wedge, a ring; colour only agrees. */
export function SeverityMark({ severity, size = 16, silent }: { severity: Severity; size?: number; silent?: boolean }) {
  const tone = { stop: "text-stop", risk: "text-risk", note: "text-note" }[severity];
  return (
    <svg
      viewBox="0 0 16 16"
      width={size}
      height={size}
      className={`inline-block shrink-0 ${tone}`}
      role={silent ? undefined : "img"}
      aria-hidden={silent}
      aria-label={silent ? undefined : names[severity]}
    >
      {severity === "stop" && (
        <>
          <rect x="1.5" y="1.5" width="13" height="13" rx="2" fill="currentColor" />
          <rect x="4" y="7" width="8" height="2.2" fill="var(--raised)" />
        </>
      )}
      {severity === "risk" && <path d="M2 3.2 L14.2 8 L2 12.8 Z" fill="currentColor" />}
      {severity === "note" && <circle cx="8" cy="8" r="5" fill="none" stroke="currentColor" strokeWidth="2.4" />}
    </svg>
  );
}
