import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { wording } from "../../api/client";
import { queries } from "../../api/queries";
import { nonce, notify } from "../../ui";

/** On paper: the card of each copy at true size, black on white; printed once all are there. */
export function CopyCards({ pieceId, onDone }: { pieceId: string; onDone: () => void }) {
  const cards = useQuery(queries.weatherCards(pieceId));
  const pages = cards.data?.flatMap((c) => Array.from({ length: c.pages }, (_, i) => ({ copy: c.copy, page: i + 1 })));
  const [there, setThere] = useState(0);
  const printed = useRef(false);
  const { error } = cards;
  useEffect(() => {
    if (error) {
      notify(wording(error));
      onDone();
    }
  }, [error, onDone]);
  useEffect(() => {
    if (!pages || there < pages.length || printed.current) return;
    printed.current = true;
    if (pages.length > 0) window.print();
    onDone();
  }, [pages, there, onDone]);
  return (
    <div className="hidden print:block" data-testid="weather-cards">
      <style nonce={nonce}>{"@media print { @page { size: A5 landscape; margin: 0 } }"}</style>
      {pages?.map(({ copy, page }) => (
        <img
          key={`${copy} ${page}`}
          src={`/api/pieces/${pieceId}/weathering/card.svg?copy=${copy}&page=${page}`}
          alt={`Card of copy ${copy}, page ${page}`}
          className="block h-[148mm] w-[210mm] break-after-page last:break-after-auto"
          onLoad={() => setThere((n) => n + 1)}
          onError={() => {
            notify(`The card of copy ${copy} could not be drawn: nothing was printed.`);
            onDone();
          }}
        />
      ))}
    </div>
  );
}
