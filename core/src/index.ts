/** The engine: pure computation, no clock, no chance and no store but what it is handed. What the rest of the house asks of it. */
export { fromMl, type VolumeUnit } from './units/volume.js';
export { CM_PER_IN, G_PER_LB, G_PER_OZ, METRIC, PSI_PER_BAR, toFahrenheit, type Units } from './units/system.js';
export { priceIn, type Shown, shownIn } from './units/shown.js';
export { type AskedAmount, readAmount, type ReadAmount } from './amounts/read-amount.js';
export { type AmountWords, amountWords } from './amounts/said-units.js';
export { type MilkLines, milkLines, totalOfLines } from './make/milk-lines.js';
export { type SaidWith, saidWith } from './make/said-with.js';
export {
  isMessage,
  type List,
  listOf,
  type Message,
  type MessageKey,
  say,
  type Text,
  uniqueTexts,
  type Value,
  type ValuesOf,
} from './messages/message.js';
export { SaidError } from './messages/said-error.js';
export {
  acidity,
  amount,
  between,
  duration,
  heatLoss,
  hourOfDay,
  length,
  mass,
  ml,
  moment,
  percent,
  perKilo,
  pressure,
  rennetPerKilo,
  type SaidQuantity,
  type SimpleQuantity,
  spoons,
  temp,
  tempBy,
  volume,
  weighed,
} from './messages/quantity.js';
export type { MessageValues } from './messages/keys.js';
export { SOUR_AGENT_IDS, SOUR_AGENTS, type SourAgentId } from './constants/acids.js';
export {
  ACTIVITY_LOSS,
  type CultureId,
  CULTURES,
  type StarterForm,
  type StarterStore,
  WILD_BIOMASS,
} from './constants/cultures.js';
export { BOUGHT_DENATURED } from './constants/denaturation.js';
export type { DrainMethod } from './constants/drainage.js';
export { CUE_MODELS } from './constants/evidence.js';
export { type CoolingMethod, HOB } from './constants/heat.js';
export { MOLAR_G, SOUR_CREAM_BELOW_PH, type Treatment } from './constants/milk.js';
export { type Base, goesOnAs } from './make/goes-on-as.js';
export { DEAD_CHANCE, PACE_SD, STARTER_LACTIC_MOL_PER_KG, TAKEN_FOR_DEAD } from './constants/starter.js';
export { CROCK_G_PER_ML } from './constants/vessels.js';
export {
  MILK_POWDER,
  PLANT_BASES,
  READY_MILKS,
  REFERENCE_CREAMS,
  REFERENCE_MILKS,
  referenceStock,
  WHEYS,
} from './materials/reference-materials.js';
export { totalG } from './materials/composition.js';
export {
  massesOfMaterial,
  type Material,
  materialFromLabel,
  materialOf,
  snfPct,
  type Stock,
} from './materials/materials.js';
export type { CrockState } from './state/crock-state.js';
export { asStarter, divided, mixed, retired, revived } from './cultures/acts.js';
export { RENEWAL_POLICIES, renewalPolicyOf } from './cultures/renewal-policy.js';
export { type ChainFrom, chainPlan, type ChainWanted, type ClockedStep, otherwise } from './cultures/chain-plan.js';
export {
  type CultureLot,
  cultureName,
  movedTo,
  type Origin,
  ORIGINS,
  type RenewalPolicy,
  storeOf,
} from './lots/culture-lot.js';
export { perGeneration, type Tasted, tastedOf } from './cultures/drift.js';
export { byUrgency, doseFor, type Due, dueOf, isFed, type LineKnown } from './cultures/due.js';
export { type Feeding, feedingOf, grainsPctFor } from './cultures/feeding.js';
export { giftOf, unclaimed } from './cultures/from-make.js';
export { growthOf, spareGrainsG, usualMilkG } from './cultures/grain-growth.js';
export {
  ancestorsOf,
  type Cultures,
  culturesById,
  descendantsOf,
  lineOfMake,
  makesOf,
  recallOf,
  rootOf,
} from './cultures/lineage.js';
export { type Mismatch, mismatchOf } from './cultures/match.js';
export { type Parking, parkingOf } from './cultures/park.js';
export { PACE_AT, paces, shownOf, type WatchedMake } from './cultures/shown.js';
export { type Bud, type Stem, stemsOf } from './cultures/stem.js';
export { type Activity, activityAt, type LineShown } from './cultures/activity.js';
export { type Kitchen, souringFactors, USUAL_KITCHEN, type Member } from './environment/environment.js';
export { type Household, kitchenFor, swingFrom } from './make/household.js';
export { type DayClock, type WallClock } from './environment/day-clock.js';
export { roomCourse, roomMeanOver, type RoomReading } from './environment/measured-room.js';
export { type CalendarMoment, roomMeanC, roomSwingC } from './environment/room.js';
export { churnBalance, churnTrouble } from './physics/churning.js';
export { materialDensity } from './physics/density.js';
export { ALL_NATIVE, denatureAlong, denaturedBetaLg, type TracePoint } from './physics/denaturation.js';
export { pasteurisationAlong } from './physics/pasteurisation.js';
export { acidDose } from './physics/acids.js';
export {
  type BufferMilk,
  bufferMilkOf,
  bufferValue,
  lacticForPh,
  phForLactic,
  titratableAcidity,
} from './physics/buffer.js';
export { keepAt, SOURING_STEP_MIN, souringCrock, souringLaw, sourStep } from './physics/souring.js';
export {
  lagQOf,
  packetDosePct,
  type Starter,
  starterActivity,
  starterAdvice,
  starterPrior,
  type StarterPrior,
} from './physics/starter-activity.js';
export { coolingMinutes, coolingSurroundings } from './physics/heat.js';
export { gelPointPh } from './physics/gel.js';
export { drainageCourse, minutesForWhey, wheyAfter, wheyForSolids } from './physics/drainage.js';
export { seededRandom, seedFromText } from './random/random.js';
export type { SouringReading } from './assimilate/evidence.js';
export { notGoingOut } from './batch/going-out.js';
export { type Lesson, NOTHING_LEARNED, pooled, type Pooled, recall } from './learn/pooled.js';
export { lessonsOf } from './teach/lesson.js';
export { learnedAll, learnedFigures, type LearnedHere } from './learn/here.js';
export { type Forgotten, type LeftOut, type Pinned, standingLessons, type TaughtByMake } from './learn/taught.js';
export type { Known } from './learn/recall.js';
export { souringOwnedBy } from './learn/owners.js';
export type { ScorePrior } from './assimilate/score-prior.js';
export { memberOfScores, SCORES, type SouringProblem, STANDARD_PRIOR } from './forecast/souring-ensemble.js';
export { forecastSouring, type SouringForecast, USUAL_FORECAST } from './forecast/souring-forecast.js';
export { forecastDrain } from './forecast/drain-forecast.js';
export {
  type Choice,
  type ChoiceGroup,
  type Choices,
  choicesOf,
  choicesThatCount,
  decided,
  initialChoices,
  type Method,
  type OptionChoice,
} from './methods/method.js';
export { FIRST_METHOD_ID, methodById, METHODS } from './methods/index.js';
export { answerId, answerWords } from './stages/answers.js';
export type { CueScale, Problem } from './stages/kind.js';
export type { Addition } from './stages/told.js';
export type { Ask, Branch, Gauge, GaugeUnit } from './stages/watch.js';
export { bind, type BoundStage, kindWords, STAGE_KIND_NAMES } from './stages/registry.js';
export { CAUTIONS } from './stages/cautions.js';
export { planStages } from './make/plan.js';
export { cultureOf } from './stages/culture-of.js';
export { coldCrock, lastOf, runStage, type StageRun, stateIn } from './make/run.js';
export { untilWoken } from './make/waking.js';
export type { Amount } from './make/amounts.js';
export { type Quieter, quieter } from './make/quieter.js';
export { makeSheet, type MakeSheet, SHEET_FORECAST } from './make/sheet.js';
export { checkChoices } from './methods/check-choices.js';
export {
  type Counted,
  type Entry,
  type EntryBody,
  ISSUED_HOW,
  type IssuedHow,
  PRODUCT_STORES,
  type ProductStore,
  type Quantity,
  type ReadBy,
  type Score,
} from './batch/entry.js';
export { impossibleTime, type ImpossibleTime } from './batch/impossible-time.js';
export { type Batch, holdOf, type LogLine, replay } from './batch/replay.js';
export { explain, type ExplainedCause } from './explain/explain.js';
export { FAULTS, faultsOf } from './explain/faults.js';
export { FAULT_IDS, type FaultId } from './batch/fault-ids.js';
export { asListed } from './lots/lot.js';
export { bareLot } from './lots/lot-of.js';
export { begunLine } from './lots/culture-lot.js';
export { isGoods } from './balance/byproducts.js';
export { grownFrom, idOfGrown, type Grown } from './larder/grown-from-make.js';
export { FLAVOUR_IDS, FLAVOURS } from './materials/flavours.js';
export { SAFE_PH } from './constants/safety-limits.js';
export { shortName } from './materials/short-name.js';
export { type Reply } from './follow/reply.js';
export { follow, type Followed, type FollowedStage, type ReadyWindow, workOut } from './follow/follow.js';
export { openHands, type OpenHands } from './follow/open-hands.js';
export type { Task } from './follow/tasks.js';
export type { Drawn, DrawnStage } from './follow/panel.js';
export type { SafetyRecord } from './follow/safety-record.js';
export type { Deviation } from './follow/deviations.js';
export type { SeriesPoint } from './follow/series.js';
export { differenceOf } from './balance/difference.js';
export { canStandInLarder, madeLot, productLot } from './larder/made-lot.js';
export { type BlendMaterial, type BlendTarget, cheapestBlend } from './blend/blend.js';
export type { Finding } from './safety/rules.js';
export type { CrockQuantity, InstrumentQuantity } from './instruments/kind.js';
export {
  type CrockSimulator,
  INSTRUMENT_KINDS,
  isOfRoom,
  kindReading,
  type SimulatedKind,
} from './instruments/kinds.js';
export { hiddenMember, readTruth, simulateReading } from './instruments/simulated.js';
export {
  bufferPh,
  BUFFERS,
  checkOutcome,
  corrected,
  type Buffer,
  type BufferCheck,
  type CheckOutcome,
  type IceCheck,
  type InstrumentCheck,
} from './instruments/check.js';
export { isKept, type KeptReading } from './instruments/thinning.js';
export { probeTrouble } from './instruments/trouble.js';
export { faultyReading, INSTRUMENT_FAULTS, type InstrumentFault } from './instruments/faults.js';
export { hiddenRoomOffC } from './instruments/hidden-room.js';
export { canRead, readingMoments, simulatedReadings, truthSeed } from './instruments/hidden-truth.js';
export { CALCIUM, RENNET_BOTTLE } from './constants/rennet.js';
export type { Byproduct } from './balance/byproducts.js';
export { methodOf, plannedOf } from './make/planned.js';
export { amountChoice, type Goal, lotsNamed, type Scaled, scaleTo } from './make/scale.js';
export { type MethodFault, methodFaults } from './make/check-method.js';
export { askedOf } from './methods/stage-asks.js';
export { methodFile, type MethodFile, variantOf } from './methods/variant.js';
export {
  choiceOf,
  valueNow,
  withAsked,
  withFixed,
  withoutStage,
  withStage,
  withStageMoved,
} from './methods/edit-method.js';
export type { LotKind } from './lots/lot-of.js';
export {
  isCulture,
  isStock,
  type Lot,
  lotChoice,
  lotIdOf,
  type LotStock,
  type StockLot,
  stockOfLot,
} from './lots/lot.js';
export { leftOf, type Taken, takenBy } from './larder/left.js';
export * from './ledger/index.js';
export type { PotLabel } from './balance/pot-label.js';
export { shelfLife } from './safety/shelf-life.js';
export { heldOf } from './lots/held.js';
export { daysBetween, nearness, useFirst } from './larder/use-first.js';
export { packWords } from './larder/packs.js';
export { materialOfLabel } from './larder/label.js';
export { type Gear, GEAR_TYPES, type GearKind, type Learned, type LearnedKey, type UnderWay } from './lots/gear.js';
export { fitInto } from './larder/split.js';
export { fillOfGear, fillOfLot } from './larder/fills.js';
export { ideasFor } from './larder/ideas.js';
export { withOwnGear } from './larder/own-gear.js';
export { withVessels } from './larder/vessel-loss.js';
export { pottedIn, roomProblems } from './larder/room-for.js';
export { type AbsentId } from './larder/absent.js';
export { type AskedFor, askedFor } from './larder/asked-for.js';
export { FOOD_IDS, type FoodId } from './larder/food-names.js';
export { findWords, plainWords } from './larder/find-words.js';
export { findMakes, type Found, type Wanted } from './larder/find-makes.js';
export { dropsPerMl, type Measured, type Routine, ROUTINES, strengthBySoda } from './larder/measure.js';
export { ripeningH } from './forecast/starter-chain.js';
export { emptyProfile } from './schedule/resource-profile.js';
export { costOfChoice, type Instance, type Picks, UNMET } from './schedule/instance.js';
export { searchFor } from './schedule/search.js';
export type { PlanGear } from './schedule/gear-resources.js';
export { hoursOf, type Person, type PlanDays, type Stretch } from './schedule/hours.js';
export { type Order, type Share, sharesOf } from './schedule/orders.js';
export { groupsOf, type Together } from './schedule/together.js';
export type { Committed, Plan, PlanAsked, PlannedMake, PlanningProblem } from './schedule/planning-problem.js';
export { layOut, planFor, plans } from './schedule/plan.js';
export { nothingWorkedOut } from './schedule/worked-out.js';
export type { PlanSupply, SupplyKind } from './schedule/supplies.js';
export { type PlanChances, simulate } from './schedule/simulate.js';
export { type MakesAndTasks, planOf } from './schedule/plan-of.js';
export { type KeptPlace, type Standing, standingOf } from './schedule/standing.js';
export { type Change, changesOf, mending } from './schedule/mend.js';
export { supposed, type Supposition } from './schedule/supposed.js';
export { type GivenHands, handsAsWalked, type MakeHands } from './schedule/hands.js';
export { awakeMin, type Extension, stageExtension, type StageExtension } from './schedule/timeline.js';
export type { MakeMode } from './schedule/mode.js';
export type { StarterHere } from './schedule/starters.js';
export { type Work, WORKS, type WorkWish } from './schedule/work.js';
export {
  type Alternative,
  alternatives,
  differs,
  type Likeness,
  likenessOf,
  OBJECTIVE_PRESETS,
  type ObjectivePreset,
  isEnough,
  type Rounds,
} from './schedule/alternatives.js';
export { type LotLeftThen, lotsLeft, type Needed, neededBy, toBuy, type ToBuy } from './schedule/materials.js';
export { type Break, breaksOfItself, moved } from './schedule/move.js';
export { committedOf } from './schedule/committed.js';
