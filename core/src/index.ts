export * from './base/outcome.ts';
export { type InSteps, withoutPause } from './base/inSteps.ts';
export * from './base/practice.ts';
export { type Range } from './base/guard.ts';
export { limits } from './base/limits.ts';
export { findRoot } from './base/numeric/findRoot.ts';
export * from './water/ionBalance.ts';
export { type Analyte, analyteAmount, analytes, analyteUnit } from './water/analytes.ts';
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
export {
  type Feed,
  type MembraneBank,
  resolveSystem,
  type RoSystem,
} from './system/point/roSystem.ts';
export {
  type OperatingPoint,
  operatingPoint,
  OperatingPointSolver,
} from './system/point/operatingPoint.ts';
export { directFlow } from './system/point/directFlow.ts';
export * from './tank/bladderTank.ts';
export { fillTank, type TankFill, type TankSystem } from './system/filling/fillTank.ts';
export { carbonDioxide, permeatePh } from './water/carbonate/permeatePh.ts';
export { concentrateLsi } from './water/carbonate/concentrateLsi.ts';
export { divalentPassage } from './membrane/divalentPassage.ts';
export { calciteContact } from './water/carbonate/calciteContact.ts';
export { netDrivingPressure, type Readings } from './membrane/netDrivingPressure.ts';
export { normalise } from './commission/normalise.ts';
export * from './base/units/units.ts';
export { parseQuantity, type Parsed } from './base/units/parseQuantity.ts';
export { type DecimalSign, plainly, readNumber, type ReadNumber } from './base/units/readNumber.ts';
export * from './catalogue/parts.ts';
export * from './catalogue/partCurve.ts';
export * from './system/design.ts';
export { assess } from './system/assess.ts';
export { type Assessment } from './system/assessment.ts';
export { remineralise, standingPh } from './system/remineralise.ts';
export * from './choose/requirements.ts';
export { judge, type JudgedDesign, type Trial, trialOf } from './choose/judge.ts';
export { type OwnershipCost, ownershipCost } from './choose/ownershipCost.ts';
export { Solutions } from './system/solutions.ts';
export * from './choose/criteria.ts';
export {
  candidates,
  type Exclusion,
  type FamilyKey,
  familyKeys,
  familyOf,
  type SiteChoices,
} from './choose/candidates.ts';
export {
  type DesignFamily,
  nothingFits,
  recommend,
  recommending,
  type Recommendation,
  type SizingTask,
  type TradeOff,
  type WayToFit,
} from './choose/recommend.ts';
export { type FittingChange, fittingChanges } from './choose/waysToFit.ts';
export { assessConditions, type ConditionKey, conditionKeys } from './system/conditions.ts';
export { pressureBudget, type PressureBudget } from './system/pressureBudget.ts';
export { representatives } from './choose/representatives.ts';
export { decide, type DecisionContext } from './choose/decisions/decide.ts';
export * from './choose/decisions/decision.ts';
export {
  type DecisionOption,
  decisionOptions,
  overruleDesign,
} from './choose/decisions/decisionOptions.ts';
export * from './choose/decisions/supplySettings.ts';
export { optionConsequences } from './choose/decisions/optionConsequences.ts';
export { recoveryCurve, type RecoveryPoint } from './system/recoveryCurve.ts';
export { elementRecovery, mostElementRecovery, type Scaling, scalingOf } from './system/scaling.ts';
export { type ScaleRisk, type ScaleRiskClass, scaleRiskOf } from './system/scaleRisk.ts';
export { decideMembrane } from './choose/decisions/waterDecisions.ts';
export { type LampIons, type LampWater, lampWaterOf } from './system/lampWater.ts';
export { withKit } from './system/kit.ts';
export { isHeld, unitMisfit, type UnitMisfit, withUnit } from './system/unit.ts';
export { closesWhenFull, type FeedCloser, feedCloser, idleDrainLPerDay } from './system/closing.ts';
export {
  type HighestPressures,
  highestPressures,
  isOverloaded,
  pumpInletBar,
} from './system/strength.ts';
export { yearOfWater, type YearOfWater } from './household/yearOfWater.ts';
export * from './hydraulics/branchPressure.ts';
export {
  carbonLifeMonths,
  type Disinfectant,
  type DisinfectantCapacity,
} from './water/carbonLife.ts';
export * from './system/ultravioletLine.ts';
export { agedDose, productDose, ultravioletDose } from './ultraviolet/ultravioletDose.ts';
export {
  type NodeKind,
  waterline,
  type Waterline,
  type WaterlineNode,
  type WaterlineState,
} from './system/waterline.ts';
export { ultravioletWaterline } from './system/ultravioletWaterline.ts';
export * from './plumbing/connections/siteFacts.ts';
export * from './plumbing/connections/feedConnection.ts';
export * from './plumbing/connections/drainHole.ts';
export * from './plumbing/places/drainWay.ts';
export * from './plumbing/connections/tapHole.ts';
export * from './plumbing/places/tubeSize.ts';
export { type TubeEnd, tubeEnds } from './plumbing/places/tubeEnd.ts';
export * from './plumbing/places/place.ts';
export { openPorts } from './plumbing/tubes/openPorts.ts';
export * from './plumbing/places/tubeFunction.ts';
export * from './plumbing/tubes/tubeRuns.ts';
export { cutLength, serviceSlackM } from './plumbing/tubes/cutLength.ts';
export * from './plumbing/tubes/tubeSchedule.ts';
export { type DrainClimb, remoteDrain } from './plumbing/tubes/remoteDrain.ts';
export { routesByPosition } from './plumbing/tubes/routesByPosition.ts';
export { passesWall } from './plumbing/places/passesWall.ts';
export { tubesOnLine } from './plumbing/tubes/tubesOnLine.ts';
export { type LineEffect, remoteLines } from './plumbing/tubes/remoteLines.ts';
export * from './plumbing/tubes/cuttingPlan.ts';
export * from './plumbing/cabinet/placing.ts';
export * from './plumbing/cabinet/reach.ts';
export { bodiesOf, fullTankKg, tankSize } from './plumbing/cabinet/bodies.ts';
export { type WayOut, waysOut } from './plumbing/cabinet/waysOut.ts';
export { type WorkFacts } from './plumbing/order/workFacts.ts';
export * from './plumbing/places/passage.ts';
export * from './plumbing/cabinet/cabinetPlan.ts';
export * from './plumbing/connections/plannedHoles.ts';
export * from './plumbing/plumbing.ts';
export {
  type Caution,
  type StepPart,
  type Tool,
  toolsOf,
  type WorkCode,
  type WorkData,
  type StepRemark,
  type WorkStep,
} from './plumbing/order/workStep.ts';
export { needsPower, workOrder } from './plumbing/order/workOrder.ts';
export { tellingCautions } from './plumbing/order/tellingCautions.ts';
export { mayMove, orderedWork } from './plumbing/order/orderedWork.ts';
export { partsList, type PartsLine } from './plumbing/order/partsList.ts';
export {
  type FlushRecord,
  type FlushSchedule,
  flushSchedule,
  type TimedStep,
} from './commission/flush/flushSchedule.ts';
export {
  type WashoutPlan,
  washoutPlan,
  type WashoutTask,
} from './commission/washout/washoutPlan.ts';
export {
  type EndCriterion,
  type EndKind,
  endKinds,
  type Fines,
  type FlushData,
  type FlushHand,
  flushHands,
  type FlushStep,
  type FlushStepCode,
  type LeakState,
  type PlannedStep,
} from './commission/flush/flushStep.ts';
export {
  causesOf,
  type FlushFault,
  handCauses,
  type HandCause,
  type RankedCause,
  seenSigns,
  type SeenSign,
  signsAt,
} from './commission/flush/notRight.ts';
export {
  type FillExplanation,
  type FillFinding,
  fillFinding,
  fillKind,
} from './commission/flush/fillFinding.ts';
export { endsRead, type StepReadings } from './commission/flush/readEnds.ts';

export {
  flushPlan,
  type FlushFacts,
  type FlushWays,
  ultravioletFlushPlan,
  usualFlushWays,
} from './commission/flush/flushPlan.ts';
export {
  type FlushCircumstances,
  flushFactsOf,
  hotSideOf,
} from './commission/sequence/flushFacts.ts';
export {
  type FlushState,
  flushStates,
  type WaterReach,
} from './commission/sequence/flushStates.ts';
export {
  type FaultCode,
  faultCodes,
  faultKind,
  possibleFaults,
  severityAt,
} from './commission/diagnosis/fault.ts';
export {
  isLook,
  type ReadingCode,
  readingCodes,
  readingExists,
  readingKind,
  type TestReadings,
  type Seen,
} from './commission/diagnosis/reading.ts';
export {
  type SamplePoint,
  samplePoints,
  type TestedSystem,
  testedSystemOf,
} from './commission/diagnosis/testedSystem.ts';
export {
  type Given,
  type TestInstruments,
  usualTestInstruments,
} from './commission/diagnosis/uncertainty.ts';
export {
  alongTheWater,
  placeOf,
  type ReadingPlaceCode,
  readingPlaces,
} from './commission/diagnosis/place.ts';
export {
  drawScenario,
  normalDeviate,
  shownOf,
  takeReadings,
} from './commission/diagnosis/takeReadings.ts';
export { asSurveyed, type Scenario, usualReferenceMgL } from './commission/diagnosis/scenario.ts';
export { type ExpectedReadings, expectedOf } from './commission/diagnosis/expected.ts';
export { type Proposal } from './commission/diagnosis/nextReading.ts';
export {
  type Complaint,
  type Course,
  courses,
  complaints,
  type FigureSign,
  figureSigns,
  type Hint,
} from './commission/diagnosis/hint.ts';
export * from './commission/diagnosis/odds.ts';
export {
  type Beyond,
  type RankedFault,
  type RankedPair,
  type Suspect,
  suspectsOf,
} from './commission/diagnosis/suspect.ts';
export { simulateFault } from './commission/diagnosis/simulateFault.ts';
export {
  diagnose,
  diagnosing,
  type Diagnosis,
  explainsNothing,
  type Examination,
  type Story,
} from './commission/diagnosis/diagnose.ts';
export { type SiteState } from './commission/sequence/siteState.ts';
export { sequence, type SequenceFault } from './commission/sequence/sequence.ts';
export {
  type FlushVisits,
  flushVisits,
  hasVisitsChoice,
  proposedVisits,
  type VisitsCost,
  visitsCosts,
} from './commission/flush/visits.ts';
export {
  canBeDisinfected,
  type Disinfection,
  disinfectionOf,
} from './commission/washout/disinfection.ts';
export { changeOutPlan } from './commission/service/changeOutPlan.ts';
export { type ServiceFacts, serviceFactsOf } from './commission/service/servicePlan.ts';
export { mendPlan } from './commission/service/mendPlan.ts';
export { serviceStates } from './commission/service/serviceStates.ts';
export {
  type Closing,
  type ServiceCode,
  type ServiceData,
  type ServiceStep,
} from './commission/service/serviceStep.ts';
export { expectedReadings } from './system/expectedReadings.ts';
export * from './commission/instrument.ts';
export { type Judgement, judgementOf } from './commission/judgement.ts';
export {
  channelKinds,
  channelOf,
  channelsOf,
  type MeterChannel,
  meterChannels,
  type MeterKind,
  meterKinds,
} from './commission/meter/channel.ts';
export {
  type Practice,
  practisedSystem,
  type PractisedSystem,
} from './commission/meter/practice.ts';
export { StandInSignal } from './commission/meter/standInSignal.ts';
export { type MeterSample, steadyValue } from './commission/meter/steady.ts';
export { productBand } from './membrane/elementSpread.ts';
export * from './commission/certify/limitsFound.ts';
export * from './commission/certify/certify.ts';
export * from './water/purpose.ts';
export {
  type Comparison,
  type Verdict,
  verdict,
  type VerificationReadings,
} from './commission/verdict.ts';
export {
  type Assumed,
  type ResolvedSurvey,
  resolveSurvey,
  type SurveyKey,
  surveyRanges,
  type SurveyReadings,
} from './choose/survey/resolveSurvey.ts';
export { type ProductionCurve, productionCurve } from './system/filling/productionCurve.ts';
export {
  type Draw,
  drawsOfDay,
  type Household,
  householdOfDemand,
  drawsAround,
  litresOf,
  meanDemand,
  type Random,
  seededRandom,
  usualHousehold,
} from './household/household.ts';
export { type Supply, supplyOf } from './household/supply.ts';
export { type DayMoment, type SimulatedDays, simulateDays } from './household/simulateDays.ts';
export {
  type DaysInTheHouse,
  type LevelBand,
  liveSampledDays,
  type PicturedDay,
  sampleDraws,
} from './household/sampledDays.ts';
export {
  type DecisionSpread,
  type OpenQuestion,
  readingWorth,
  weighingReadings,
  type ReadingWorth,
  worthSamples,
  type WorthTopic,
} from './choose/survey/readingWorth.ts';
export * from './stock/vanCheck.ts';
export * from './stock/places.ts';
export * from './system/slots.ts';
export * from './system/condition.ts';
export * from './system/observe.ts';
export { hardnessClass, type HardnessClass } from './water/hardnessClass.ts';
export { dateOf, dayOf, daysInMonth } from './base/calendar.ts';
export * from './keeping/trend/history.ts';
export {
  type Expectation,
  type SeriesPicture,
  trendExpectations,
  type TrendPicture,
  trendPicture,
} from './keeping/trend/picture.ts';
export { dropDoubledAfter } from './keeping/trend/loading.ts';
export {
  type SeriesTrend,
  type Trend,
  trend,
  type TrendState,
  trendStates,
} from './keeping/trend/trend.ts';
export { nextVisit, type ServiceVisit } from './keeping/due/combine.ts';
export {
  type Due,
  type DueReason,
  dueReasons,
  duesOf,
  type DueSchool,
  type DueTask,
} from './keeping/due/due.ts';
export {
  type Serviced,
  type ServicedKind,
  servicedKinds,
  type ServicedSite,
  servicedOf,
} from './keeping/due/serviced.ts';
