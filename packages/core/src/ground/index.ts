export { bearingDeg, compassPoint, distanceM, LocalFrame, nearestPlace, type LonLat } from '../units';
export { isInside, ringOf } from './outline';
export { Relief } from './relief';
export * from './depth-map';
export { buildDepthMap, DepthSurvey, type SurveyOptions } from './survey';
export * from './break-foot';
export { hypsographyOf } from './hypsography';
export { featureLimits, findFeatures, type FeatureKind, type GroundFeature } from './features';
