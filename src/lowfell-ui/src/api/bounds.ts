// Written by `npm run api` from openapi.json; the bounds stand beside their types in Lowfell.Core.

/** What each field of a request may be. */
export const bounds = {
  AirDraft: {
    temperatureC: { min: 0, max: 45, unit: "C" },
    humidity: { min: 0.05, max: 0.99 },
  },
  AmountsRequest: {
    copies: { maxItems: 2000 },
    dilutions: { maxItems: 2000 },
    only: { maxItems: 2000 },
  },
  AssemblyDraft: {
    name: { maxLength: 120 },
    closes: { maxItems: 60 },
  },
  BaseFamilyDraft: {
    name: { maxLength: 120 },
    clusters: { maxItems: 120 },
    shares: { min: 0, max: 1 },
    skimMm: { min: 0, max: 4, unit: "mm" },
    riseMm: { min: 0, max: 12, unit: "mm" },
    crackleMm: { min: 0, max: 4, unit: "mm" },
    calm: { min: 0.33, max: 0.95 },
    rimMm: { min: 0, max: 10, unit: "mm" },
    grass: { min: 0, max: 1 },
    leastTufts: { min: 1, max: 9 },
  },
  BaseFigureDraft: {
    landingMm: { min: 0, max: 200, unit: "mm" },
    landingWidthMm: { min: 0, max: 200, unit: "mm" },
    spreadMm: { min: 0, max: 200, unit: "mm" },
    axlesMm: { min: 0, max: 200, unit: "mm" },
    atXMm: { min: -120, max: 120, unit: "mm" },
    atYMm: { min: -120, max: 120, unit: "mm" },
    hemMm: { min: 0, max: 200, unit: "mm" },
    overhangMm: { min: 0, max: 200, unit: "mm" },
    weightG: { min: 0, max: 2000, unit: "g" },
    centreMm: { min: 0, max: 200, unit: "mm" },
    stonesMm: { min: 0, max: 8, unit: "mm" },
  },
  BaseFormDraft: {
    lengthMm: { min: 10, max: 200, unit: "mm" },
    widthMm: { min: 10, max: 200, unit: "mm" },
    bevelMm: { min: 0, max: 5, unit: "mm" },
    heightMm: { min: 0.5, max: 20, unit: "mm" },
  },
  BasesPreview: {
    bases: { maxItems: 4 },
    stock: { maxItems: 300 },
    seed: { min: 0, max: 4294967295 },
    scale: { min: 1, max: 1000 },
  },
  BottleDraft: {
    sizeMl: { min: 0.5, max: 10000, unit: "ml" },
    leftMl: { min: 0, max: 10000, unit: "ml" },
    price: { min: 0, max: 100000 },
    lot: { maxLength: 120 },
  },
  BoxDraft: {
    name: { maxLength: 120 },
    lengthMm: { min: 0.5, max: 80, unit: "mm" },
    widthMm: { min: 0.5, max: 80, unit: "mm" },
    heightMm: { min: 0.5, max: 80, unit: "mm" },
    spread: { min: 0, max: 0.5 },
    count: { min: 0, max: 100000 },
  },
  CalendarException: {
    startMin: { min: 0, max: 1439, unit: "minutes after midnight" },
    endMin: { min: 1, max: 2160, unit: "minutes after midnight" },
  },
  CalendarView: {
    timeZone: { maxLength: 120 },
    weekly: { maxItems: 30 },
    exceptions: { maxItems: 400 },
    weeksAhead: { min: 4, max: 52, unit: "weeks" },
    sittingMin: { min: 10, max: 240, unit: "min" },
    pauseMin: { min: 1, max: 60, unit: "min" },
  },
  CellAdoption: {
    row: { min: 0, max: 5 },
    column: { min: 0, max: 5 },
  },
  ClusterDraft: {
    name: { maxLength: 120 },
    group: { min: 1, max: 30 },
    fromMm: { min: 0, max: 500, unit: "mm" },
    toMm: { min: 0, max: 500, unit: "mm" },
    elements: { maxItems: 12 },
    weight: { min: 0, max: 100, above: true },
  },
  CoatDraft: {
    passes: { min: 1, max: 20 },
    paintFraction: { min: 0, max: 1, above: true },
    hand: { min: 0.5, max: 2 },
    waitMinutes: { min: 0, max: 86400, unit: "min" },
    known: { maxItems: 40 },
    note: { maxLength: 2000 },
  },
  CopiesTrial: {
    copies: { min: 0, max: 1000, unit: "copies" },
  },
  CrackleQuestion: {
    mm: { min: 0.05, max: 4, unit: "mm" },
    widthMm: { min: 0.02, max: 2, unit: "mm" },
    scale: { min: 1, max: 1000 },
  },
  CrackleTileDraft: {
    thinMm: { min: 0.05, max: 4, unit: "mm" },
    thinCells: { min: 1, max: 60 },
    thickMm: { min: 0.05, max: 4, unit: "mm" },
    thickCells: { min: 1, max: 60 },
    crackMm: { min: 0.02, max: 2, unit: "mm" },
  },
  DepositDraft: {
    wetFilmUm: { min: 0, max: 5000, unit: "um" },
    coverage: { min: 0, max: 1 },
  },
  DilutionTrial: {
    paintFraction: { min: 0, max: 1, above: true },
  },
  DropCalibration: {
    drops: { min: 1, max: 500, unit: "drops" },
    ml: { min: 0.01, max: 50, unit: "ml" },
    grams: { min: 0.01, max: 100, unit: "g" },
  },
  DryingView: {
    touchMin: { min: 0, max: 10000, unit: "min" },
    recoatMin: { min: 0, max: 10000, unit: "min" },
    curedH: { min: 0, max: 2000, unit: "h" },
    referenceWetFilmUm: { min: 1, max: 5000, unit: "um" },
    exponent: { min: 0.5, max: 3 },
    warmAirFactor: { min: 0.05, max: 1 },
  },
  ElementDraft: {
    name: { maxLength: 120 },
    seed: { min: 0, max: 4294967295 },
    lengthMm: { min: 0.5, max: 80, unit: "mm" },
    widthMm: { min: 0.5, max: 80, unit: "mm" },
    heightMm: { min: 0.5, max: 80, unit: "mm" },
    x: { min: -120, max: 120, unit: "mm" },
    y: { min: -120, max: 120, unit: "mm" },
    angleDeg: { min: -360, max: 360, unit: "degrees" },
    cluster: { min: 0, max: 99 },
    overhangMm: { min: 0, max: 20, unit: "mm" },
    insteadOf: { maxLength: 120 },
  },
  Fade: {
    fullMm: { min: 0, max: 3000, unit: "mm" },
    noneMm: { min: 0, max: 3000, unit: "mm" },
  },
  GroundsChange: {
    count: { min: 0, max: 5 },
  },
  HelpRequest: {
    coats: { maxItems: 60 },
  },
  JoinDraft: {
    clearanceMm: { min: 0, max: 50, unit: "mm" },
  },
  KnownFinding: {
    rule: { maxLength: 120 },
    aspect: { maxLength: 120 },
    reason: { maxLength: 500 },
    mark: { maxLength: 120 },
  },
  LearnedAnswer: {
    key: { maxLength: 120 },
  },
  LogAction: {
    copies: { min: 1, max: 1000, unit: "copies" },
    pass: { min: -23, max: 20 },
    minutes: { min: 0, max: 1000, unit: "min" },
    setUpMinutes: { min: 0, max: 240, unit: "min" },
    who: { maxLength: 120 },
    paintFraction: { min: 0, max: 1, above: true },
    deviation: { maxLength: 2000 },
    cause: { maxLength: 2000 },
    remedy: { maxLength: 2000 },
    note: { maxLength: 2000 },
    mixedMl: { min: 0.01, max: 10000, unit: "ml" },
    ticks: { maxItems: 4 },
  },
  LookChoice: {
    zoneIds: { maxItems: 12 },
  },
  Marks: {
    count: { min: 1, max: 100000 },
    widthMm: { min: 0, max: 500, above: true, unit: "mm" },
    lengthMm: { min: 0, max: 3000, above: true, unit: "mm" },
  },
  MaskRequest: {
    copy: { min: 1, max: 200 },
    element: { min: 0, max: 99 },
    angleDeg: { min: -360, max: 360, unit: "degrees" },
  },
  Mate: {
    clearanceMm: { min: 0, max: 50, unit: "mm" },
  },
  MaterialDraft: {
    name: { maxLength: 120 },
    house: { maxLength: 120 },
    contrastRatio: { min: 0.03, max: 0.9999 },
    referenceFilmUm: { min: 1, max: 500, unit: "um" },
    volumeSolids: { min: 0.01, max: 1 },
    undertonePower: { min: 0, max: 1 },
    dropsPerMl: { min: 2, max: 200, unit: "drops to the ml" },
    lowStockMl: { min: 0, max: 10000, unit: "ml" },
  },
  MendsRequest: {
    coats: { maxItems: 60 },
    rule: { maxLength: 120 },
    aspect: { maxLength: 120 },
  },
  MixAgain: {
    totalMl: { min: 0.01, max: 10000, unit: "ml" },
  },
  MixComponentDraft: {
    amount: { min: 0.0001, max: 10000 },
  },
  MixDraft: {
    name: { maxLength: 120 },
    components: { maxItems: 40 },
  },
  MixMade: {
    totalMl: { min: 0.01, max: 10000, unit: "ml" },
    drops: { min: 1, max: 10000, unit: "drops" },
    note: { maxLength: 2000 },
  },
  MixQuestion: {
    components: { maxItems: 40 },
    totalMl: { min: 0.01, max: 10000, unit: "ml" },
  },
  MixUse: {
    ml: { min: 0.001, max: 10000, unit: "ml" },
    copies: { min: 1, max: 1000, unit: "copies" },
    note: { maxLength: 2000 },
  },
  Order: {
    ids: { maxItems: 2000 },
  },
  PaintedCell: {
    row: { min: 0, max: 5 },
    column: { min: 0, max: 5 },
    note: { maxLength: 500 },
  },
  PaintedDraft: {
    name: { maxLength: 120 },
    note: { maxLength: 2000 },
  },
  PieceDraft: {
    name: { maxLength: 120 },
    kind: { maxLength: 120 },
    lengthMm: { min: 0.1, max: 3000, unit: "mm" },
    widthMm: { min: 0.1, max: 3000, unit: "mm" },
    heightMm: { min: 0.1, max: 3000, unit: "mm" },
    freeAreaMm2: { min: 1, max: 10000000, unit: "mm2" },
    copies: { min: 1, max: 1000, unit: "copies" },
    fitMin: { min: 0.5, max: 240, unit: "min" },
    glueMin: { min: 0, max: 2880, unit: "min" },
  },
  PiecePaste: {
    text: { maxLength: 200000 },
  },
  PieceRequest: {
    zones: { maxItems: 60 },
    joins: { maxItems: 1770 },
    assembly: { maxItems: 60 },
  },
  PieceZoneDraft: {
    name: { maxLength: 120 },
    coats: { maxItems: 60 },
    touches: { maxItems: 60 },
  },
  PlanRequest: {
    setIds: { maxItems: 2000 },
    withoutCoats: { maxItems: 2000 },
    mostCopies: { min: 1, max: 1000, unit: "copies" },
  },
  RatioQuestion: {
    materialIds: { maxItems: 4 },
  },
  ReaderAim: {
    dryFilmUm: { min: 0.5, max: 500, unit: "um" },
  },
  Rename: {
    name: { maxLength: 120 },
  },
  RollRequest: {
    seed: { min: 0, max: 4294967295 },
    copies: { min: 1, max: 200 },
    awayFrom: { min: 1, max: 200 },
    rolls: { min: 1, max: 24 },
  },
  RoomView: {
    temperatureC: { min: 0, max: 45, unit: "C" },
    humidity: { min: 0.05, max: 0.99 },
  },
  ScaleLoad: {
    drops: { min: 1, max: 500, unit: "drops" },
  },
  SchemeCopy: {
    name: { maxLength: 120 },
  },
  SetChange: {
    name: { maxLength: 120 },
    scale: { min: 1, max: 1000 },
    viewingMm: { min: 100, max: 10000, unit: "mm" },
  },
  SetDraft: {
    name: { maxLength: 120 },
    scale: { min: 1, max: 1000 },
    viewingMm: { min: 100, max: 10000, unit: "mm" },
  },
  SolveRequest: {
    seconds: { min: 1, max: 300, unit: "s" },
  },
  StackChange: {
    coats: { maxItems: 60 },
  },
  StackRequest: {
    coats: { maxItems: 60 },
  },
  StripeDraft: {
    dryFilmUm: { min: 0.5, max: 500, unit: "um" },
  },
  TileDraft: {
    name: { maxLength: 120 },
    painted: { maxItems: 36 },
  },
  TilePlan: {
    under: { maxItems: 20 },
    rows: { maxItems: 6 },
    columns: { maxItems: 6 },
  },
  TopUp: {
    ml: { min: 0.01, max: 10000, unit: "ml" },
  },
  TrayBegin: {
    groups: { maxItems: 200 },
  },
  TrayCopyDraft: {
    seed: { min: 0, max: 4294967295 },
    elements: { maxItems: 80 },
  },
  TrayDraft: {
    copies: { maxItems: 200 },
  },
  TrayFile: {
    format: { maxLength: 120 },
    formatVersion: { min: 0, max: 2147483647 },
    copies: { maxItems: 200 },
  },
  TrayGroup: {
    copies: { min: 1, max: 200 },
  },
  TrayStepsTaken: {
    techniques: { maxItems: 12 },
  },
  WeeklyEvening: {
    startMin: { min: 0, max: 1439, unit: "minutes after midnight" },
    endMin: { min: 1, max: 2160, unit: "minutes after midnight" },
  },
  WishedDraft: {
    lengthMm: { min: 0.5, max: 80, unit: "mm" },
  },
  ZoneChanges: {
    zones: { maxItems: 2000 },
  },
  ZoneDraft: {
    areaMm2: { min: 1, max: 10000000, unit: "mm2" },
    copies: { min: 1, max: 1000, unit: "copies" },
    smallestDetailMm: { min: 0.01, max: 50, unit: "mm" },
    creaseMm: { min: 1, max: 1000000, unit: "mm" },
    edgeMm: { min: 1, max: 1000000, unit: "mm" },
    litEdges: { min: 0, max: 1 },
    unseen: { min: 0, max: 0.99 },
    heightFromMm: { min: 0, max: 3000, unit: "mm" },
    heightToMm: { min: 0, max: 3000, unit: "mm" },
    pieceHeightMm: { min: 0.1, max: 3000, unit: "mm" },
    tolerance: { min: 0.5, max: 50, unit: "dE00" },
    scale: { min: 1, max: 1000 },
    viewingMm: { min: 100, max: 10000, unit: "mm" },
  },
  ZoneSettings: {
    name: { maxLength: 120 },
    areaShare: { min: 0.001, max: 1 },
    ownAreaMm2: { min: 1, max: 10000000, unit: "mm2" },
    smallestDetailMm: { min: 0.01, max: 50, unit: "mm" },
    creaseMm: { min: 1, max: 1000000, unit: "mm" },
    edgeMm: { min: 1, max: 1000000, unit: "mm" },
    litEdges: { min: 0, max: 1 },
    unseen: { min: 0, max: 0.99 },
    heightFromMm: { min: 0, max: 3000, unit: "mm" },
    heightToMm: { min: 0, max: 3000, unit: "mm" },
    tolerance: { min: 0.5, max: 50, unit: "dE00" },
    neighbours: { maxItems: 60 },
    mates: { maxItems: 600 },
  },
} as const;
