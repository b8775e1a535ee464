import type { Material, TileDraft, TilePreview } from "../../api/types";
import { offFigure } from "../../api/words";

interface Props {
  draft: TileDraft;
  preview: TilePreview | undefined;
  materials: Material[];
  onCell: (row: number, column: number) => void;
}

const letter = (column: number) => String.fromCharCode(65 + column);

/** The tile as it is labelled: numbers down, letters across; each cell as recess, face and edge. */
export function TileGrid({ draft, preview, materials, onCell }: Props) {
  const name = (id: string | null | undefined) => materials.find((m) => m.id === id)?.material.name ?? "gone";
  const { rows, columns, under } = draft.plan;
  const shown = preview?.cells.length === rows.length * columns.length ? preview : undefined;
  return (
    <div>
      <h2 className="mb-2 hidden text-xl font-semibold print:block">{draft.name || "Test tile"}</h2>
      {under[0] && <p className="mb-1 text-sm text-soft">Under all of it: {name(under[0].materialId)}</p>}
      <table className="w-full table-fixed border-separate border-spacing-1 rounded bg-swatch" data-testid="tile">
        <thead>
          <tr>
            <td className="w-28" />
            {columns.map((c, i) => (
              <th key={c.id} scope="col" className="px-1 py-1 text-left text-xs font-normal text-ink">
                <strong className="text-base">{letter(i)}</strong> {name(c.materialId)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((r, row) => (
            <tr key={r.id}>
              <th scope="row" className="px-1 text-left text-xs font-normal text-ink">
                <strong className="text-base">{row + 1}</strong> {name(r.materialId)}
              </th>
              {columns.map((c, column) => {
                const cell = shown?.cells.find((x) => x.row === row && x.column === column);
                const painted = draft.painted.find((p) => p.row === row && p.column === column);
                const nearest = shown?.nearestRow === row && shown.nearestColumn === column;
                return (
                  <td key={c.id} className="h-24 p-0 align-top">
                    <button
                      type="button"
                      data-nearest={nearest || undefined}
                      onClick={() => onCell(row, column)}
                      className={`flex h-24 w-full flex-col overflow-hidden rounded ${nearest ? "outline-3 outline-offset-[-3px] outline-ink" : ""}`}
                    >
                      <span className="flex w-full flex-1">
                        {[cell?.recess, cell?.face, cell?.edge].map((colour, i) => (
                          <span key={i} className={i === 1 ? "flex-2" : "flex-1"} style={{ background: colour }} />
                        ))}
                      </span>
                      {painted && (
                        <span className="h-6 w-full" style={{ background: painted.face }} title="as it came out" />
                      )}
                      <span className="w-full bg-swatch px-1 text-left text-xs text-ink">
                        <span className="sr-only">Cell </span>
                        {row + 1}
                        {letter(column)}
                        {cell?.deWanted != null && ` ${offFigure(cell.deWanted)}`}
                        {nearest && <strong> nearest</strong>}
                        {painted && cell?.dePainted != null && `, came out ${offFigure(cell.dePainted)}`}
                      </span>
                    </button>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-xs text-soft">
        Each cell: recess, face, edge. Open one to note what came out, or to take its coats into a stack.
      </p>
    </div>
  );
}
