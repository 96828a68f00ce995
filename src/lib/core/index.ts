/** The public face of the core. Everything outside imports from here; inside, files import each other directly. Long because it names them all. */
export { CoreError, CoreFault, isProblemCode, type ProblemCode } from './errors';
export { oncePer } from './oncePer';
export { otherSide, sides, type Side } from './body/side';
export { addDays, daysBetween, dayText, weekdayOf } from './days';

export { splitOpeningDeg, type SplitLegs, type SplitMeasure } from './geometry/splitOpening';
export { openingFromDepthDeg } from './geometry/openingFromDepth';
export { splitGapCm } from './geometry/splitGap';
export { nearestDepthCm } from './geometry/nearestDepth';
export { openingFromSpanDeg } from './geometry/openingFromSpan';
export { limbElevationDeg } from './geometry/limbElevation';
export { propagate, type Propagated, type Uncertain } from './geometry/propagate';
export { segmentLengths } from './geometry/segmentLengths';
export { bodyLengths, meanLengths, type BodyLength, type BodyLengthId, type BodyLengths } from './geometry/bodyLengths';
export { frogAbductionDeg, straddleDeg } from './geometry/straddle';
export { trunkFoldDeg } from './geometry/trunkFold';
export { turnoutUnexplainedDeg } from './geometry/turnout';
export type { Point } from './geometry/point';
export { crossCheck, type CrossCheck } from './measure/crossCheck';
export { normalDraw, seededRandom, type RandomSource } from './geometry/random';

export { withinSubjectSd } from './measure/withinSubjectSd';
export { pooledSd } from './measure/pooledSd';
export { mdc, semFromIcc, z80, z90, z95 } from './measure/mdc';
export { occasionSd, type MeasuringError } from './measure/occasionSd';
export { changeBetween, changeVerdict, isShownTwice, type Change, type ChangeWord, type Occasion } from './measure/changeVerdict';
export { icc, type Icc } from './measure/icc';
export { limitsOfAgreement, type Agreement } from './measure/limitsOfAgreement';
export {
  bodyPositions,
  measureModes,
  type BodyPosition,
  type Measure,
  type MeasureMode,
  type MeasureUnit
} from './measure/measure';
export { isSignedDepth, measureOf, measures } from './measure/measures';
export {
  comparesAs,
  isPhoto,
  pastEntry,
  wayIds,
  wayOf,
  ways,
  type Entries,
  type EntryField,
  type Way,
  type WayId
} from './measure/ways';
export { measureDoubt, type MeasureDoubt } from './measure/measureDoubt';
export { foldOf, looksSwapped, measureResult, trialValue, type MeasureResult } from './measure/measureResult';
export { measuringErrorOf, type LearntError, type OwnRecord } from './measure/measuringError';
export { retestSpread, type Retest } from './measure/retestSpread';
export { measuringOrder, type PositionGroup } from './measure/measuringOrder';
export { crossCheckWays, type WayTrials } from './measure/crossCheckWays';
export { activeGap, sideDifference, tighterSide, type ActiveGap, type SideDifference } from './measure/sideDifference';

export {
  bearsWeight,
  floor,
  stackRules,
  type Prop,
  type PropFace,
  type Stack,
  type StackItem,
  type StackRules
} from './props/stack';
export { bearingStacks, reachableStacks, searchStacks } from './props/reachableStacks';
export { bestStack, nearestStack } from './props/bestStack';
export { ladder, rungAt, rungsOfStacks, splitUse, usualStepCm, type Ladder, type LadderFault, type Rung } from './props/ladder';

export type { Phase, PhaseKind } from './cycle/phase';
export { smallCurve, type DrawnPhase } from './cycle/smallCurve';
export {
  atBreath,
  compileCycle,
  deepenings,
  defaultEffortCapPct,
  defaultSensationCap,
  effortsOf,
  mostCycleRounds,
  resistances,
  type CycleSpec,
  type Deepening,
  type Effort,
  type Resistance
} from './cycle/compileCycle';
export type { Cue, CueCode, CueNote, FlowCue, HoldCue } from './cycle/cue';
export {
  cornersOf,
  moveCorner,
  usualBounds,
  withPeak,
  withRound,
  type Bound,
  type Corner,
  type CornerId,
  type CycleBounds
} from './cycle/corners';
export { compileReps, repsDone, type RepsSpec } from './cycle/compileReps';
export { compileFlow, compileHold, type TimedHold } from './cycle/compileHold';
export { effortInWords } from './cycle/effortInWords';
export { effortAtPct, phaseAt, rampSteps } from './cycle/effortAt';
export { countAt } from './cycle/phase';
export { breathInShare, breathsToTap, goesIn, ownBreathS } from './cycle/ownBreath';
export { totals, type Totals } from './cycle/totals';
export {
  blockWhyText,
  compileForm,
  countedIn,
  easedBlock,
  formKinds,
  exercisesIn,
  isAsked,
  isLookedAt,
  isWorked,
  withMore,
  type Block,
  type Counted,
  type FindExercise,
  type FlowStep,
  type Form,
  type StackOfWork,
  type Work
} from './session/block';
export { buildBlock, type SideCycles, type SideState } from './session/buildBlock';
export { cycleAsksMore, overCap, takesCycle, type OverCap } from './session/shapedCycle';
export {
  heelHeight,
  insideOf,
  liftsAskMore,
  liftsOverCap,
  takesLifts,
  type LiftShape,
  type SideLifts
} from './session/shapedLifts';
export { formOf } from './session/formOf';
export {
  compileSession,
  orderBlocks,
  timelineOf,
  sideOrders,
  type SessionOptions,
  type SideOrder,
  type Timeline,
  type TimelinePhase,
  type TimelineSet
} from './session/compileSession';
export {
  arrangedSession,
  dayWorks,
  usualArrangement,
  trainings,
  type Arrangement,
  type Training,
  type DayWork
} from './session/arrange';
export { warningsOf, type ArrangementWarning } from './session/warnings';
export { sessionTemplates } from './session/templates';
export { cutKinds, fitToMinutes, type Cut, type CutKind } from './session/fitToMinutes';

export {
  exerciseKinds,
  exercisePhases,
  exerciseTraits,
  loadedJoints,
  loadsJoint,
  motionsOfRole,
  movedMotions,
  moveRoles,
  trainedMotions,
  usualRole,
  stretchedLines,
  stretchesLine,
  asPieceFor,
  isTest,
  lackedBy,
  partOf,
  propWords,
  startPositions,
  type Dose,
  type ExerciseKind,
  type Exercise,
  type ExercisePhase,
  type LinkId,
  type Move,
  type MoveRole,
  type SessionPart,
  type StartPosition
} from './exercise/exercise';
export { levelName, type Dial, type DialId, type Setting, type Settings } from './exercise/dial';
export { addedStops, exerciseFrom } from './exercise/record';
export { loadsOf, withBearing } from './exercise/bearing';
export { exerciseOf, exercises, families } from './exercise/exercises';
export {
  depthOfDial,
  dialAtRung,
  dialStates,
  easier,
  harder,
  isHarder,
  isWithin,
  type DialRange,
  type DialState,
  type DialStepWhy,
  type Step
} from './exercise/dials';
export { chainOf, chainsOf, harderOfTwo, neighboursOf, ringThrough, type Neighbour } from './exercise/neighbours';
export { sceneOf, supportsFor, type ExerciseScene } from './exercise/scene';
export { findExercises, type ExerciseQuery } from './exercise/findExercises';
export { goalExercises, jointsOfGoal, motionOfDemand } from './exercise/goalExercises';
export {
  fillRecipe,
  recipeOf,
  recipePlaces,
  rungsIn,
  standIns,
  taughtToward,
  type FilledRecipe,
  type RecipeAsk,
  type Rungs,
  type StandIn
} from './recipe/fillRecipe';
export type { Role } from './recipe/recipe';
export { levels, type Level } from './level';
export { longHold, schoolOf, schools } from './school/schools';
export {
  alignmentPolicies,
  handPolicies,
  schoolIds,
  schoolTopics,
  timePolicies,
  type Policies,
  type School,
  type SchoolId,
  type SchoolTopic
} from './school/school';
export { differences } from './school/differences';
export { startDose, startSetting, type StartOrigin, type Beginner } from './exercise/startDose';
export { holdsLastOnly } from './exercise/tempo';
export { isOutside, schoolFigure, type SchoolFigure } from './exercise/schoolFigure';
export { compareSchools, isComparable, type SchoolDose } from './exercise/schoolDose';
export { spanText, type Span } from './span';
export { compileBreaths, usualBreathS, type BreathsSpec } from './cycle/compileBreaths';
export { compilePulses, type PulsesSpec } from './cycle/compilePulses';
export {
  equipment,
  equipmentOf,
  everywhere,
  substitutesFor,
  type Equipment,
  type EquipmentId,
  type Material,
  type Substitute
} from './props/equipment';
export { stacksFor, stacksOn, unders, type StackUse, type Under } from './props/stackUse';
export { additionsTried, bestAddition, type Addition, type Evenness, type LadderNeed } from './props/bestAddition';
export { heightGaps, type HeightGap } from './props/heightGaps';
export { candidateProps } from './props/candidates';
export { shareShelf, type Share, type ShareNeed } from './props/shareShelf';
export type { LinearSolver, SearchEnds, Solved } from './linearProgram';
export { bases, isFrontSplit, isSplit, type Basis, type Demand, type Goal, type GoalKind, type ReadingModel } from './goal/goal';
export { goalFamilies, goalOf, goals } from './goal/goals';
export { motionIds, motionOf, motions, type Motion, type MotionId, type Norm } from './body/motions';
export { linkKey, modelSdDeg, readPosition, type Link, type LinkValue, type PositionReading } from './read/readPosition';
export { whatIf, type WhatIf } from './read/whatIf';
export { measureSet } from './read/measureSet';

export {
  planProgression,
  rehearsalWeek,
  sessionDays,
  weeksLeft,
  easyWeeksOf,
  goalWeights,
  noPlanWishes,
  type AlsoServed,
  type PlanWishes,
  type PlanAsk,
  type PlanProgress,
  type PlanSession,
  type PlanWeek,
  type Progression
} from './plan/planProgression';
export { fittedSession, sessionComposer, uncutSession } from './plan/fittedSession';
export { minutesNotes } from './plan/minutesNotes';
export { weekStepTexts, type WeekOutline } from './plan/weekSteps';
export {
  isEasyWeek,
  isRetestWeek,
  phasesJoined,
  planPhases,
  retestEveryDays,
  shareOf,
  weekAmount,
  type PlanPhase
} from './plan/phases';
export {
  isOfTheme,
  places,
  plainSlot,
  sessionWorks,
  type Place,
  type SessionSlot,
  type SessionWish,
  type SessionWork
} from './plan/sessionSlot';
export { hardEffortPct, hardLinks, isHard } from './plan/hardWork';
export { effects, type Effect, type WeekWork } from './plan/sessionBlocks';
export type { Allotment, Allotted } from './plan/allotment';
export { noWishes, planWeek, type WeekAsk, type WeekPlace, type WeekWishes } from './plan/planWeek';
export { oftens, usualEnds, type Often } from './plan/weekProgram';
export {
  dayNames,
  movedSets,
  planChangeText,
  sessionWishText,
  wishedChanges,
  type FindName,
  type PlanChange,
  type PlanShape
} from './plan/planChange';
export { mendOf, weekFlags, weekNotes, weekNoteText, type Mend, type WeekNote } from './plan/weekNotes';
export { countsFrom, gradeStack, jumpOf, standInRung, type Jump, type StackGrade } from './grade/gradeStack';
export { leftOutTexts, type LeftOut } from './plan/leftOut';
export { holdWithin, rungsWithin } from './safety/within';
export { doseByLink, gainfulWeekS, type LinkDose } from './plan/doseByLink';

export { whyText, type VerdictWhy } from './progress/why';
export { decide, isSore, sorePainKinds, type DecideAsk, type RuleName, type Decision, type TapeEnd } from './progress/decide';
export { progressRules, type SessionRecord, type SetRecord, type Verdict } from './progress/history';

export {
  ageLimits,
  highestEffortCapPct,
  highestSensationCap,
  isCleared,
  isScreeningDue,
  screen,
  screeningEveryDays,
  setByInstructor,
  type EndStop,
  type Screening,
  type ScreeningAnswers
} from './screen/screen';
export { limitKinds, type Clearance, type Limit, type LimitFrom, type LimitKind } from './screen/limit';
export { joints, lines, sidesMeet, type Joint, type JointSide, type Line, type LineSide } from './body/body';
export { locksFrom, isJointStop, isLineStop, isPersonStop, type OpenStop, type Stop, type ToldIn } from './screen/stop';
export { endValues, gate, type Gated } from './safety/gate';
export type { GateAsk } from './safety/ask';
export { deepens, type DialEnd } from './safety/ends';
export { isFlatHeld, stageOpening, type StageOpening } from './safety/stages';
export type { DialWait } from './safety/waits';
export { capsOf, goalBar, limitOfCap, nextEffortCap, whileTaught, type Caps } from './safety/caps';
export { carefulWeekMin, stretchMost, stretchMostOf, type StretchMost } from './safety/upperLimit';
export { endStopOf } from './safety/endStops';
export { flatHeld, waitDays } from './safety/rules';
export { reachKey, type Closed, type DialMove, type SafetyPerson, type ToldPain } from './safety/person';
export { fromText, limitText, lineText, reasonBrief, reasonText, stopPlaceText } from './safety/text';
export type { GateReason } from './safety/reason';
export { measuringNotes } from './safety/measuring';
export { jointNames } from './screen/jointRows';
export {
  endStopMotions,
  screeningRows,
  screeningTopics,
  screeningVersion,
  topicsFor,
  type ScreeningRow,
  type ScreeningTopic,
  type TopicId
} from './screen/screeningTable';
export { beighton, beightonItems, type BeightonItem } from './screen/beighton';
export { before, readinessText, todayThings, type BeforeAnswers, type Readiness, type TodayThing } from './screen/before';
export {
  painGrades,
  painKindOf,
  painKinds,
  painPlaceIds,
  painPlaceOf,
  painPlaces,
  urgentSigns,
  urgentSignsText,
  type PainAction,
  type PainEvent,
  type PainGrade,
  type PainKindId,
  type PainPlaceId
} from './screen/pain';

export { movementBetween, pushArrows, type Arrow, type Push } from './figure/arrows';
export { figureBetween, poseFigure, type FigurePose } from './figure/poseFigure';
export { usualBody, type Body } from './figure/frame';
export { poseIds, poses, type PoseId } from './figure/poses';
export { limbOutline, type Limb } from './figure/limbs';
export { poseAt, positionOf, type InstrumentSpec, type MeasuringPosition, type PhotoSpec } from './measure/positions';
export { isFromAbove, type Landmark } from './figure/pose';
export {
  needsBlock,
  needsLine,
  photoFoldDeg,
  photoResult,
  rollOf,
  type PhotoPoints,
  type PhotoResult
} from './photo/photoResult';
export { pictureFrame, type PictureFrame } from './photo/pictureFrame';
export { angleAtDeg } from './geometry/angleAt';
export { scaleCmPerPx } from './geometry/scaleCmPerPx';
export {
  inclinationDeg,
  instrumentDoubt,
  instrumentFoldDeg,
  instrumentValueDeg,
  tiltOf,
  upOf,
  type InstrumentDoubt,
  type Up
} from './instrument/inclination';
export { steadiness, steadinessRule, withSample, type AngleSample, type Steadiness } from './instrument/steadiness';
export { behaviours, simulateAngles, type Behaviour } from './standIn/simulateAngles';
export { limbTilt, specOfPose, tiltAlong } from './standIn/limbTilt';
export { seedOf, standInValue } from './standIn/standInValue';
export { drawnPicture, rodBandCm, sceneBlockCm, sceneColours, type DrawnPicture } from './standIn/drawnPicture';
export { splitOpening } from './measure/splitOpening';
export { rungsAround, type RungsAround } from './props/rungsAround';
export { afterPain, endsSession, stepsAfterPain, type PainOutcome } from './session/afterPain';

export { likelyNext } from './trend/likelyNext';
export { theilSen, type TheilSen } from './trend/theilSen';
export { mannKendall, type MannKendall } from './trend/mannKendall';
export { fitSaturating, fitSaturatingFrom, type SaturatingFit, type StartedFit } from './trend/fitSaturating';
export { changeRules, changeSoFar, weekOf, type ChangeSoFar, type OtherCondition, type Retaken } from './trend/changeSoFar';
export { plateau, plateauRules, type Plateau, type PlateauAsk } from './trend/plateau';
export { forecast, type Band, type Forecast, type ForecastAsk, type ForecastWeek, type Observation } from './forecast/forecast';
export { scaledPrior, usualPrior, type ForecastPrior } from './forecast/prior';
export { drawTruth, simulateClient, type SimulatedClient, type SimulatedTruth } from './forecast/simulateClient';
export { expectedPerWeek, headlineForecast, isForetold, type HeadlineAsk } from './forecast/headlineForecast';
export { scored, scoresNeeded, shareWithin, type KeptBands, type Scored } from './forecast/score';
export { smallWins, type Win, type WinsAsk } from './progress/wins';
export { planSummary, type PlanSummary } from './plan/planSummary';
export { alertRules, attendanceAlert, effortAlert, exerciseAlerts, plateauAlert, type Alert } from './trend/alerts';
