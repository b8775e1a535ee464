import { useQuery } from "@tanstack/react-query";
import { wording } from "../api/client";
import { queries } from "../api/queries";
import { Dialog, Failed } from "../ui";

/** Which Lowfell this is, and what of others it ships with. */
export function AboutDialog({ onClose }: { onClose: () => void }) {
  const health = useQuery(queries.health());
  const licences = useQuery(queries.licences());
  return (
    <Dialog
      open
      title={`Lowfell ${health.data?.version ?? ""}`.trim()}
      description="Everything runs on this machine; nothing leaves it."
      onClose={onClose}
    >
      <h3 className="mb-1 text-sm font-semibold">Made with</h3>
      {licences.isError && <Failed why={wording(licences.error)} onAgain={() => void licences.refetch()} />}
      {licences.isPending && <p className="text-sm text-soft">Reading the licences…</p>}
      <ul className="text-sm">
        {licences.data?.map((l) => (
          <li key={`${l.name} ${l.version ?? ""}`} className="border-t border-line">
            <details>
              <summary className="flex cursor-pointer gap-3 py-1.5 hover:bg-tint">
                <span className="min-w-0 flex-1 truncate">
                  {l.name} <span className="text-soft">{l.version}</span>
                </span>
                <span className="text-soft">{l.licence}</span>
              </summary>
              <pre className="pb-3 font-sans text-xs whitespace-pre-wrap text-soft">{l.text}</pre>
            </details>
          </li>
        ))}
      </ul>
    </Dialog>
  );
}
