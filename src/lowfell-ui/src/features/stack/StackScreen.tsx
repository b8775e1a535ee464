import { queries } from "../../api/queries";
import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link, useParams } from "react-router";
import { Problem, wording } from "../../api/client";
import type { Bench, Material, Mix, ZonePage } from "../../api/types";
import { lastZoneKey } from "../../craft/lastZone";
import { StackWork } from "./StackWork";

export function StackScreen() {
  const { zoneId = "" } = useParams();
  const page = useQuery(queries.zone(zoneId));
  const materials = useQuery(queries.materials());
  const mixes = useQuery(queries.mixes());
  const bench = useQuery(queries.bench());
  useEffect(() => {
    if (page.data) localStorage.setItem(lastZoneKey, page.data.id);
  }, [page.data]);
  if (page.isError) {
    const gone = page.error instanceof Problem && page.error.code === "gone";
    return (
      <div className="mx-auto max-w-md p-10 text-center">
        <h1 className="mb-2 text-xl font-semibold">{gone ? "This zone is gone" : "The stack can't be opened"}</h1>
        <p className="mb-4 text-soft">{gone ? "It was deleted, or belongs to another bench." : wording(page.error)}</p>
        <Link to="/sets" className="font-semibold text-accent underline">
          Go to your sets
        </Link>
      </div>
    );
  }
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
