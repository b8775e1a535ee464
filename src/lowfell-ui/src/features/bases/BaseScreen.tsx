import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { wording } from "../../api/client";
import { queries } from "../../api/queries";
import { Failed } from "../../ui";
import { BeginTray } from "./BeginTray";
import { TrayScreen } from "./TrayScreen";

/** Bases: where what goes, how much of it, and whether they differ and yet belong. */
export function BaseScreen() {
  const { pieceId = "" } = useParams();
  const tray = useQuery(queries.tray(pieceId));
  const piece = useQuery(queries.piece(pieceId));
  if (tray.error) return <Failed why={wording(tray.error)} onAgain={() => void tray.refetch()} />;
  if (tray.data === undefined || !piece.data) return <p className="p-6 text-soft">Laying out the tray…</p>;
  return tray.data ? (
    <TrayScreen key={tray.data.id} tray={tray.data} copies={piece.data.piece.piece.copies} />
  ) : (
    <BeginTray page={piece.data} />
  );
}
