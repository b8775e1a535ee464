import { useParams } from "react-router";
import { AmountsOf } from "./AmountsScreen";

/** How much of everything one piece takes, over all its copies. */
export function PieceAmounts() {
  const { pieceId } = useParams();
  return <AmountsOf pieceId={pieceId} />;
}
