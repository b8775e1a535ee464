import { queries } from "../../api/queries";
import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Navigate, useParams } from "react-router";
import type { Bench, Material, Mix, ZonePage } from "../../api/types";
import { Gone } from "../../craft/Gone";
import { rememberZone } from "../../craft/lastZone";
import { StackWork } from "./StackWork";

export function StackScreen() {
  const { pieceId, zoneId = "" } = useParams();
  const page = useQuery(queries.zone(zoneId));
  const materials = useQuery(queries.materials());
  const mixes = useQuery(queries.mixes());
  const bench = useQuery(queries.bench());
  useEffect(() => {
    if (page.data) rememberZone(page.data.id);
  }, [page.data]);
  if (page.isError) return <Gone what="zone" error={page.error} />;
  if (page.data && page.data.pieceId !== pieceId)
    return <Navigate to={`/piece/${page.data.pieceId}/coats/${zoneId}`} replace />;
  if (!page.data || !materials.data || !mixes.data || !bench.data)
    return <p className="p-6 text-soft">Opening the stack…</p>;
  return (
    <Ready
      key={page.data.id + page.data.scheme.id}
      page={page.data}
      materials={materials.data}
      mixes={mixes.data}
      bench={bench.data}
    />
  );
}

function Ready({
  page,
  materials,
  mixes,
  bench,
}: {
  page: ZonePage;
  materials: Material[];
  mixes: Mix[];
  bench: Bench;
}) {
  return <StackWork page={page} materials={materials} mixes={mixes} schools={bench.schools} />;
}
