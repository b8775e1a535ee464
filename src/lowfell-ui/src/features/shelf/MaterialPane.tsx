import { useState } from "react";
import { familyFacts } from "../../api/words";
import type { Material } from "../../api/types";
import { Tabs } from "../../ui";
import { MaterialEditor } from "./MaterialEditor";
import { StandIns } from "./StandIns";
import { Stock } from "./Stock";
import { StripePanel } from "./StripePanel";

interface Props {
  material?: Material;
  onKept: (id: string) => void;
  onGone: () => void;
}

type View = "figures" | "stock" | "stripe" | "standIns";

/** A material: its figures, its bottles, its painted stripe, and what could stand in for it. */
export function MaterialPane({ material, onKept, onGone }: Props) {
  const [view, setView] = useState<View>("figures");
  if (!material) return <MaterialEditor onKept={onKept} onGone={onGone} />;
  const stripes = !familyFacts(material.material.family).clear && material.material.effect !== "metallic";
  return (
    <Tabs<View>
      label={material.material.name}
      value={view}
      onChange={setView}
      tabs={[
        {
          value: "figures",
          label: "Figures",
          content: <MaterialEditor key={material.version} material={material} onKept={onKept} onGone={onGone} />,
        },
        { value: "stock", label: "Bottles", content: <Stock material={material} /> },
        ...(stripes
          ? [{ value: "stripe" as const, label: "Painted stripe", content: <StripePanel material={material} /> }]
          : []),
        { value: "standIns", label: "Stand-ins", content: <StandIns material={material} /> },
      ]}
    />
  );
}
