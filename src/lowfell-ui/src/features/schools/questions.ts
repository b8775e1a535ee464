import type { Schools } from "../../api/types";

interface Question {
  field: keyof Schools;
  question: string;
  choices: { value: string; label: string; buys: string; costs: string }[];
}

export const questions: Question[] = [
  {
    field: "pinWashVarnish",
    question: "Varnish under a pin wash",
    choices: [
      {
        value: "satin",
        label: "Satin",
        buys: "The wash stays where it is put and still cleans off.",
        costs: "It has to be led along the crease.",
      },
      {
        value: "gloss",
        label: "Gloss",
        buys: "It runs furthest by itself and cleans off easiest.",
        costs: "It may run too far.",
      },
    ],
  },
  {
    field: "wash",
    question: "How much wash",
    choices: [
      {
        value: "twoThin",
        label: "Two thin",
        buys: "You stop when it is dark enough; no pools.",
        costs: "Drying twice.",
      },
      {
        value: "oneGenerous",
        label: "One generous",
        buys: "One go, darker recesses.",
        costs: "Pools and rings where it stands.",
      },
    ],
  },
  {
    field: "pigments",
    question: "Pigments",
    choices: [
      {
        value: "fixed",
        label: "Fix them",
        buys: "They survive handling.",
        costs: "Some of the powder look is lost.",
      },
      {
        value: "loose",
        label: "Leave them loose",
        buys: "The dry look stays.",
        costs: "Some falls off; no varnish after.",
      },
    ],
  },
  {
    field: "warmAir",
    question: "Hurrying with warm air",
    choices: [
      {
        value: "baseCoatsAndTextures",
        label: "Base coats and textures",
        buys: "A base coat is ready in a quarter of the time.",
        costs: "Never for washes, solvents or foam.",
      },
      {
        value: "never",
        label: "Never",
        buys: "Nothing skins over or warps.",
        costs: "Every coat takes its time.",
      },
    ],
  },
  {
    field: "shading",
    question: "Shading of a panel",
    choices: [
      {
        value: "preShade",
        label: "Pre-shade",
        buys: "Thin coats over a dark and light ground.",
        costs: "One thick coat hides it.",
      },
      {
        value: "modulation",
        label: "Modulation",
        buys: "Opaque tones put where you want them.",
        costs: "More mixes to make and match.",
      },
    ],
  },
  {
    field: "dryBrush",
    question: "Brush between dry-brush steps",
    choices: [
      {
        value: "keep",
        label: "Keep the residue",
        buys: "Soft steps: a fifth of the last colour carries over.",
        costs: "Less contrast.",
      },
      {
        value: "clean",
        label: "Clean it",
        buys: "Crisp steps.",
        costs: "A wipe and a wait each time.",
      },
    ],
  },
  {
    field: "gritGlue",
    question: "Glue for sand and grit",
    choices: [
      {
        value: "pva",
        label: "PVA",
        buys: "Slow and cheap, reaches far when thinned.",
        costs: "Wants a pass of thinned glue on top before any wash.",
      },
      {
        value: "superGlue",
        label: "Thick super glue",
        buys: "Bonds in seconds and needs no sealing pass.",
        costs: "Fumes, small areas at a time.",
      },
    ],
  },
];
