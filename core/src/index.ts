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
export * from './hydraulics/branchPressure.ts';
export {
  carbonLifeMonths,
  type Disinfectant,
  type DisinfectantCapacity,
} from './carbon/carbonLife.ts';
export * from './ultraviolet/ultravioletLine.ts';
export { productDose, ultravioletDose, ultravioletLimits } from './ultraviolet/ultravioletDose.ts';
export {
  type NodeKind,
  waterline,
  type Waterline,
  type WaterlineNode,
  type WaterlineState,
} from './waterline/waterline.ts';
export { ultravioletWaterline } from './waterline/ultravioletWaterline.ts';
export * from './plumbing/connections/siteFacts.ts';
export * from './plumbing/connections/feedConnection.ts';
export * from './plumbing/connections/drainHole.ts';
export * from './plumbing/connections/tapHole.ts';
export * from './plumbing/tubes/tubeSize.ts';
export { type TubeEnd, tubeEnds } from './plumbing/tubes/tubeEnds.ts';
export * from './plumbing/tubes/tubeRuns.ts';
export { cutLength, serviceSlackM } from './plumbing/tubes/cutLength.ts';
export * from './plumbing/tubes/tubeSchedule.ts';
export { type DrainClimb, remoteDrain } from './plumbing/tubes/remoteDrain.ts';
export { routesByPosition } from './plumbing/tubes/routesByPosition.ts';
export { passesWall } from './plumbing/tubes/passesWall.ts';
export { tubesOnLine } from './plumbing/tubes/tubesOnLine.ts';
export { type LineEffect, remoteLines } from './plumbing/tubes/remoteLines.ts';
export * from './plumbing/tubes/cuttingPlan.ts';
export * from './plumbing/cabinet/placing.ts';
export * from './plumbing/cabinet/reach.ts';
export { bodiesOf, fullTankKg, tankSize } from './plumbing/cabinet/bodies.ts';
export { type WayOut, waysOut } from './plumbing/cabinet/waysOut.ts';
export { type Passage, passages, type WorkFacts } from './plumbing/order/workFacts.ts';
export {
  type Caution,
  type StepPart,
  type Tool,
  toolsOf,
  type WorkCode,
  workCodes,
  type WorkStep,
} from './plumbing/order/workStep.ts';
export { needsPower, workOrder } from './plumbing/order/workOrder.ts';
export { mayMove, orderedWork } from './plumbing/order/orderedWork.ts';
export { partsList, type PartsLine, systemParts } from './plumbing/order/partsList.ts';
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
