/** The bottom of a water: depth map from soundings, its contours and structure, and what was fished where. */
export { bearingDeg, compassPoint, distanceM, LocalFrame, nearestPlace, offOutlinesM, placeAlong, type LonLat } from '../units';
export { isInside, ringOf, thinnedRing } from './outline';
export { crossValidate, type CrossValidation } from './cross-validation';
export { inverseDistance } from './inverse-distance';
export { Relief } from './relief';
export * from './depth-map';
export { buildDepthMap, DepthSurvey, type SurveyOptions } from './survey';
export { surveyedArea, type SurveyedArea } from './surveyed-area';
export { hypsographyOf } from './hypsography';
export { featureLimits, findFeatures, type FeatureKind, type GroundFeature } from './features';
export * from './cover';
export { bandMoved, wayText } from './path-length';
export * from './sounding-source';
export * from './depth-unit';
export * from './level';
export { dropFeet, footLimits, type DropFoot } from './foot';
export { coveLimits, findCoves, findWalls, wallLimits, type Cove } from './coves';
export { troughLimits, troughsBetween } from './troughs';
