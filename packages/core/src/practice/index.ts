/** Drills on simulated fish, and how a drill is judged. */
export { DrillLog, drillLimits, type Decision, type DrillReview, type TracePoint } from './drill';
export { decisionWords } from './wording';
export { FloatDrill, floatDrillLimits, floatSchedule, floatSigns, type FloatPose, type FloatReview, type FloatSays, type FloatSign, type FloatVerdict } from './float-drill';
