export * from './outcome.ts';
export { type Range } from './guard.ts';
export { limits } from './limits.ts';
export { findRoot } from './numeric/findRoot.ts';
export * from './water/ionBalance.ts';
export { type Analyte, analyteAmount, analytes, analyteUnit } from './laboratory/analytes.ts';
export { osmoticPressure } from './water/osmoticPressure.ts';
export { viscosityRatio, waterViscosity } from './water/waterViscosity.ts';
export { risePressure, waterDensity } from './water/waterDensity.ts';
export { temperatureCorrectionFactor } from './membrane/temperatureCorrectionFactor.ts';
export {
  elementPermeance,
  type ElementPermeance,
  type MembraneRating,
} from './membrane/elementPermeance.ts';
export { filterResistance, type FilterDrop } from './hydraulics/prefilterDrop.ts';
export { type Pump, pumpBoost, pumpPressure } from './hydraulics/pumpPressure.ts';
export {
  type Restrictor,
  restrictorCoefficient,
  restrictorFlow,
} from './hydraulics/restrictorFlow.ts';
export { type Tube, tubeLoss } from './hydraulics/tubeLoss.ts';
export { type TapLine, tapFlow, tapLineLoss } from './hydraulics/tapLine.ts';
export { type Feed, type MembraneBank, resolveSystem, type RoSystem } from './system/roSystem.ts';
export {
  type OperatingPoint,
  operatingPoint,
  OperatingPointSolver,
} from './system/operatingPoint.ts';
export { directFlow } from './system/directFlow.ts';
export * from './tank/bladderTank.ts';
export { fillTank, type TankFill, type TankSystem } from './tank/fillTank.ts';
export { carbonDioxide, permeatePh } from './carbonate/permeatePh.ts';
export { concentrateLsi } from './carbonate/concentrateLsi.ts';
export { calciteContact } from './carbonate/calciteContact.ts';
export { netDrivingPressure, normalise, type Readings } from './readings/normalise.ts';
export * from './units/units.ts';
export { parseQuantity, type Parsed } from './units/parseQuantity.ts';
export * from './catalogue/parts.ts';
export * from './sizing/systemDesign.ts';
export { assess, type Assessment, glassL } from './sizing/assess.ts';
export { remineralise } from './sizing/remineralise.ts';
export * from './sizing/requirements.ts';
export { judge, type JudgedDesign, partsPrice, type Trial, trialOf } from './sizing/judge.ts';
export { type OwnershipCost, ownershipCost } from './sizing/ownershipCost.ts';
export { Solutions } from './sizing/solutions.ts';
export * from './sizing/criteria.ts';
export {
  candidates,
  type Exclusion,
  type FamilyKey,
  familyKeys,
  familyOf,
  type SiteChoices,
} from './sizing/candidates.ts';
export {
  type DesignFamily,
  recommend,
  type Recommendation,
  type SizingTask,
  type TradeOff,
} from './sizing/recommend.ts';
export { assessConditions, type ConditionKey, conditionKeys } from './sizing/conditions.ts';
export { pressureBudget, type PressureBudget } from './sizing/pressureBudget.ts';
export { representatives } from './sizing/representatives.ts';
export { decide, type DecisionContext } from './decisions/decide.ts';
export * from './decisions/decision.ts';
export {
  type DecisionOption,
  decisionOptions,
  overruleDesign,
} from './decisions/decisionOptions.ts';
export * from './decisions/supplySettings.ts';
export { optionConsequences } from './decisions/optionConsequences.ts';
export { recoveryCurve, type RecoveryPoint } from './sizing/recoveryCurve.ts';
export { scalesSoon } from './sizing/scalesSoon.ts';
export { yearOfWater, type YearOfWater } from './day/yearOfWater.ts';
export { type Branch, branchPressure } from './hydraulics/branchPressure.ts';
export {
  carbonLifeMonths,
  type Disinfectant,
  type DisinfectantCapacity,
} from './carbon/carbonLife.ts';
export * from './ultraviolet/ultravioletLine.ts';
export { ultravioletDose, ultravioletLimits } from './ultraviolet/ultravioletDose.ts';
export {
  type NodeKind,
  ultravioletWaterline,
  waterline,
  type Waterline,
  type WaterlineNode,
  type WaterlineState,
} from './waterline/waterline.ts';
export {
  boreMm,
  cutLength,
  serviceSlackM,
  type TubeEnd,
  type TubeFunction,
  tubeFunctions,
  type TubeRun,
  tubeRuns,
  type TubeSize,
  tubeSizes,
} from './plumbing/tubeRuns.ts';
export { partsList, type PartsLine, type PlumbingChoices } from './plumbing/partsList.ts';
export * from './plumbing/siteFacts.ts';
export {
  chooseFeed,
  type FeedChoice,
  type FeedConnection,
  feedConnections,
  type FeedRemark,
} from './plumbing/feedConnection.ts';
export {
  type DrainHole,
  drainHole,
  type DrainRemark,
  type DrainWay,
  drainWays,
  type SaddlePlace,
  saddlePlaces,
} from './plumbing/drainHole.ts';
export { type DrillTool, type TapHole, tapHole, type TapHoleRemark } from './plumbing/tapHole.ts';
export {
  type Coil,
  cuttingPlan,
  type CuttingPlan,
  leastUsefulM,
  type Piece,
} from './plumbing/cuttingPlan.ts';
export {
  type ColourMap,
  type FlowByFunction,
  outsideMm,
  type ScheduledTube,
  type TubeColour,
  tubeColours,
  tubeSchedule,
} from './plumbing/tubeSchedule.ts';
export * from './plumbing/placing.ts';
export { routesByPosition } from './plumbing/routesByPosition.ts';
export { bodiesOf, fullTankKg, tankSize } from './plumbing/bodies.ts';
export { type WayOut, waysOut } from './plumbing/waysOut.ts';
export {
  type Caution,
  mayMove,
  orderedWork,
  type Tool,
  toolsOf,
  type WorkCode,
  type WorkFacts,
  workOrder,
  type WorkStep,
} from './plumbing/workOrder.ts';
export { tankWashout, washoutCycles } from './flush/tankWashout.ts';
export {
  flushPlan,
  type FlushStep,
  type FlushStepCode,
  ultravioletFlushPlan,
} from './flush/flushPlan.ts';
export { expectedReadings } from './verify/expectedReadings.ts';
export { type Instruments, usualInstruments } from './verify/instruments.ts';
export {
  type Comparison,
  rejectionGrades,
  type Verdict,
  verdict,
  type VerificationReadings,
} from './verify/verdict.ts';
export {
  type Assumed,
  type ResolvedSurvey,
  resolveSurvey,
  type SurveyKey,
  surveyRanges,
  type SurveyReadings,
} from './survey/resolveSurvey.ts';
export { type ProductionCurve, productionCurve } from './tank/productionCurve.ts';
export {
  type Draw,
  drawsOfDay,
  type Household,
  householdOfDemand,
  drawsAround,
  litresOf,
  meanDemand,
  seededRandom,
  usualHousehold,
} from './day/household.ts';
export { type Supply, supplyOf } from './day/supply.ts';
export {
  comfortLPerMin,
  type DayMoment,
  type SimulatedDays,
  simulateDays,
} from './day/simulateDays.ts';
export {
  type DaysInTheHouse,
  type LevelBand,
  liveSampledDays,
  sampleDraws,
} from './day/sampledDays.ts';
export {
  type DecisionSpread,
  type OpenQuestion,
  readingWorth,
  type ReadingWorth,
  worthSamples,
  type WorthTopic,
} from './survey/readingWorth.ts';
