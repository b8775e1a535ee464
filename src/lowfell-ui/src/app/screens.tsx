import type { ComponentType } from "react";
import { SetsScreen } from "../features/sets/SetsScreen";

type Load = () => Promise<ComponentType>;

/** One view of a place: where it is, what it is called, what it is for, and its part of the program. */
export interface View {
  path: string;
  label: string;
  help: string;
  load: Load;
  /** What opens from it, at an address below its own; not a view by itself. */
  within?: { path: string; load: Load }[];
}

/** A place: where work of one kind is done, the key after g that leads there, and its views in the order of the work. */
export interface Place {
  label: string;
  key: string;
  help: string;
  views: View[];
  /** What its views stand in, where they share more than their names. */
  frame?: { path: string; load: Load; views: { path: string; label: string; load: Load }[] };
}

const piece = async () => await import("../features/piece/PieceFrame");

/** The five places in the order of the work: routes, navigation, titles, keys, the search and the tests of the browser go by this table. */
export const places: Place[] = [
  {
    label: "Sets",
    key: "s",
    help: "What there is to paint",
    views: [
      {
        path: "/sets",
        label: "Sets",
        help: "What there is to paint, and how far it is",
        load: async () => SetsScreen,
        within: [
          { path: "/begin", load: async () => (await import("../features/begin/BeginScreen")).BeginScreen },
          { path: "/sets/:setId", load: async () => (await import("../features/sets/SetScreen")).SetScreen },
          {
            path: "/sets/:setId/board",
            load: async () => (await import("../features/boards/BoardScreen")).BoardScreen,
          },
          {
            path: "/sets/:setId/table",
            load: async () => (await import("../features/sight/SetSightScreen")).SetSightScreen,
          },
        ],
      },
    ],
  },
  {
    label: "Piece",
    key: "p",
    help: "The coats of its zones, their amounts, what was done",
    views: [
      {
        path: "/piece",
        label: "Piece",
        help: "The piece that was open last",
        load: async () => (await piece()).PieceStart,
        within: [{ path: "/zone/:zoneId", load: async () => (await piece()).ZoneDoor }],
      },
    ],
    frame: {
      path: "/piece/:pieceId",
      load: async () => (await piece()).PieceFrame,
      views: [
        { path: "", label: "Piece", load: async () => (await piece()).PieceHome },
        {
          path: "coats/:zoneId",
          label: "Coats",
          load: async () => (await import("../features/stack/StackScreen")).StackScreen,
        },
        {
          path: "look",
          label: "Look",
          load: async () => (await import("../features/look/LookScreen")).LookScreen,
        },
        {
          path: "picture",
          label: "Picture",
          load: async () => (await import("../features/reference/ReferenceScreen")).ReferenceScreen,
        },
        {
          path: "weathering",
          label: "Weathering",
          load: async () => (await import("../features/weathering/WeatheringScreen")).WeatheringScreen,
        },
        {
          path: "table",
          label: "From the table",
          load: async () => (await import("../features/sight/SightScreen")).SightScreen,
        },
        {
          path: "mend",
          label: "Mend",
          load: async () => (await import("../features/mend/MendScreen")).PieceMend,
        },
        {
          path: "base",
          label: "Base",
          load: async () => (await import("../features/bases/BaseScreen")).BaseScreen,
        },
        {
          path: "amounts",
          label: "Amounts",
          load: async () => (await import("../features/amounts/PieceAmounts")).PieceAmounts,
        },
        {
          path: "first",
          label: "First copy",
          load: async () => (await import("../features/first/FirstCopyScreen")).FirstCopyScreen,
        },
        {
          path: "history",
          label: "History",
          load: async () => (await import("../features/history/PieceHistory")).PieceHistory,
        },
      ],
    },
  },
  {
    label: "Shelf",
    key: "h",
    help: "Paints, mixes, and how much of what",
    views: [
      {
        path: "/shelf",
        label: "Paints",
        help: "Paints and bottles",
        load: async () => (await import("../features/shelf/ShelfScreen")).ShelfScreen,
      },
      {
        path: "/shelf/mixes",
        label: "Mixes",
        help: "Recipes, with what they truly hold",
        load: async () => (await import("../features/mixes/MixesScreen")).MixesScreen,
      },
      {
        path: "/shelf/made",
        label: "Made",
        help: "What was mixed, and where it went",
        load: async () => (await import("../features/mixes/MadeScreen")).MadeScreen,
      },
      {
        path: "/shelf/tiles",
        label: "Tiles",
        help: "Grounds by washes, before the real thing",
        load: async () => (await import("../features/tiles/TilesScreen")).TilesScreen,
      },
      {
        path: "/shelf/match",
        label: "Match",
        help: "An older set from today's shelf",
        load: async () => (await import("../features/match/MatchScreen")).MatchScreen,
      },
      {
        path: "/shelf/amounts",
        label: "Amounts and shopping",
        help: "How much of what over everything, and what to buy",
        load: async () => (await import("../features/amounts/AmountsScreen")).AmountsScreen,
      },
    ],
  },
  {
    label: "Evenings",
    key: "e",
    help: "Tonight, then the plan",
    views: [
      {
        path: "/evenings",
        label: "Tonight",
        help: "The next evening step by step, and what to get ready for it",
        load: async () => (await import("../features/evenings/TonightScreen")).TonightScreen,
      },
      {
        path: "/evenings/plan",
        label: "Plan",
        help: "Every evening until it is done, and what would help",
        load: async () => (await import("../features/evenings/EveningsScreen")).EveningsScreen,
      },
      {
        path: "/evenings/calendar",
        label: "Calendar",
        help: "The evenings of a week, days off, and the room",
        load: async () => (await import("../features/evenings/CalendarScreen")).CalendarScreen,
      },
    ],
  },
  {
    label: "Bench",
    key: "b",
    help: "What now, beside the rinse water",
    views: [
      {
        path: "/bench",
        label: "Card",
        help: "What now, with what, on which copies",
        load: async () => (await import("../features/bench/BenchScreen")).BenchScreen,
      },
      {
        path: "/bench/log",
        label: "Log",
        help: "What was done, evening by evening",
        load: async () => (await import("../features/log/LogScreen")).LogScreen,
      },
      {
        path: "/bench/mend",
        label: "Mend",
        help: "What went wrong, and what to do now",
        load: async () => (await import("../features/mend/MendScreen")).MendScreen,
      },
    ],
  },
];

/** What is set once, behind the gear. */
export const settings: Place = {
  label: "Settings",
  key: ",",
  help: "Schools, units, devices, and the bin",
  views: [
    {
      path: "/settings/schools",
      label: "Schools",
      help: "Where good painters disagree",
      load: async () => (await import("../features/schools/SchoolsScreen")).SchoolsScreen,
    },
    {
      path: "/settings/units",
      label: "Units and light",
      help: "Millimetres or inches, C or F, day or lamp light",
      load: async () => (await import("../features/settings/UnitsScreen")).UnitsScreen,
    },
    {
      path: "/settings/devices",
      label: "Room and devices",
      help: "The air of the room, the scale, the colour reader",
      load: async () => (await import("../features/settings/DevicesScreen")).DevicesScreen,
    },
    {
      path: "/settings/bin",
      label: "Bin",
      help: "What was deleted in the last 30 days",
      load: async () => (await import("../features/settings/BinScreen")).BinScreen,
    },
  ],
};

/** What it does and how: the same pages as in the documents. */
export const guide: Place = {
  label: "Guide",
  key: "i",
  help: "What it does, place by place, and a first evening in ten steps",
  views: [
    {
      path: "/guide",
      label: "Guide",
      help: "A first evening, and a page for each place",
      load: async () => (await import("../features/guide/GuideScreen")).GuideScreen,
      within: [{ path: "/guide/:page", load: async () => (await import("../features/guide/GuideScreen")).GuideScreen }],
    },
  ],
};

/** Where an address of an earlier version leads now. */
export const oldAddresses: Record<string, string> = {
  "/stack": "/piece",
  "/stack/:id": "/zone/:id",
  "/mixes": "/shelf/mixes",
  "/amounts": "/shelf/amounts",
  "/tiles": "/shelf/tiles",
  "/match": "/shelf/match",
  "/log": "/bench/log",
  "/schools": "/settings/schools",
  "/settings": "/settings/schools",
};

/** Every place, that behind the gear and the guide too. */
export const allPlaces: readonly Place[] = [...places, settings, guide];

/** Where a place begins. */
export const homeOf = (place: Place): string => place.views[0]!.path;

const isAt = (address: string, path: string) => path === address || path.startsWith(`${address}/`);

/** The place and the view that an address belongs to; the longest that fits. */
export function viewAt(path: string): { place: Place; view: View } | undefined {
  if (isAt("/zone", path)) return { place: places[1]!, view: places[1]!.views[0]! };
  return allPlaces
    .flatMap((place) => place.views.map((view) => ({ place, view })))
    .filter(({ view }) => isAt(view.path, path))
    .sort((a, b) => b.view.path.length - a.view.path.length)[0];
}
