import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { GroundSetting, ZonePage } from "../../api/types";
import { craft } from "../../api/words";
import { ThreeHeights } from "../../craft/ThreeHeights";
import { Button } from "../../ui";

interface Props {
  page: ZonePage;
  busy: boolean;
  onTake: (setting: GroundSetting, word: string) => void;
}

/** Deep, ground, mid, light and dust of a setting, from the shelf in one hue family. */
export function GroundTones({ page, busy, onTake }: Props) {
  const [setting, setSetting] = useState<GroundSetting>();
  const looked = useQuery(queries.ground(page.id, setting));
  const grounds = craft().grounds;
  return (
    <section aria-label="Ground of a setting" className="pt-3">
      <ul className="grid grid-cols-2 gap-2 sm:grid-cols-4" data-testid="grounds">
        {grounds.map((g) => (
          <li key={g.setting}>
            <button
              type="button"
              aria-pressed={setting === g.setting}
              onClick={() => setSetting(g.setting)}
              className={`flex w-full flex-col gap-1 rounded border p-1.5 text-left text-sm hover:border-accent ${setting === g.setting ? "border-accent bg-tint" : "border-line"}`}
            >
              <span aria-hidden className="h-6 w-full rounded-sm" style={{ background: g.colour }} />
              {g.word}
            </button>
          </li>
        ))}
      </ul>
      {looked.isError && (
        <p role="alert" className="mt-3 text-sm font-semibold text-stop">
          {wording(looked.error)}
        </p>
      )}
      {looked.data && setting && !looked.isError && (
        <>
          <ul className="mt-3 grid gap-2 sm:grid-cols-5" data-testid="ground-tones">
            {looked.data.tones.map((t) => (
              <li key={t.tone} className="flex flex-col text-sm max-sm:flex-row max-sm:items-center max-sm:gap-2">
                <span className="rounded bg-swatch p-1.5 max-sm:w-20" title={`${t.colour}, wanted ${t.wanted}`}>
                  <span aria-hidden className="block h-9 rounded-sm" style={{ background: t.colour }} />
                </span>
                <span>
                  <span className="text-soft">{t.tone}: </span>
                  {t.says}
                  <span className="block text-xs text-soft">{t.words}</span>
                </span>
              </li>
            ))}
          </ul>
          <div className="mt-3 flex flex-wrap items-center gap-3 text-sm">
            <span className="w-44 rounded bg-swatch p-1.5">
              <ThreeHeights of={looked.data.look} className="h-9" />
            </span>
            <p className="min-w-0 flex-1 text-xs text-soft">
              {page.settings.name} in recess, on face and edge, by: {looked.data.coats.join("; ")}.
            </p>
            <Button
              look="main"
              disabled={busy || looked.isFetching}
              onClick={() => onTake(setting, grounds.find((g) => g.setting === setting)!.word)}
            >
              {page.scheme.coats.length > 0 ? "Take it in place of these coats" : "Take it"}
            </Button>
          </div>
        </>
      )}
    </section>
  );
}
