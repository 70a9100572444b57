/** Where to drill: places scored by ground and season, plans of holes, and the next one by what the last showed. */
export * from './tour';
export * from './density';
export * from './place-score';
export * from './scan-plan';
export * from './next-hole';
export * from './from-log';
export * from './wording';
export { deepestSoughtM, firstPlaces, firstPlaceWords, isNearShore, shallowerText, soughtBand, type FirstPlace, type FirstQuery } from './first-place';
export { freshSchools, fromStation, schoolPlace, schoolPlaceWords, type SchoolPlace } from './school-place';
export { likePlaceWords, placesLike, type LikeMarks, type LikePlace } from './like';
export { hangsText, scoutedText } from './scouted';
export { holeLooks, holesWithMarks, passRound, roundAdvice, type HoleLook, type RoundAdvice, type RoundSide } from './sounder-round';
export { nextCover, nextCoverText } from './next-cover';
