/** Visits: what the log says of each stay at a station, and of each fish that came there. Whoever counts bites, fish, line or casts reads these. */
export { biteMsOf, takesOf, type Take, type TakeStep } from './takes';
export { visitsOf, lineEndMs, longestOpenMin, type Visit } from './visits';
export { crossedBite } from './crossed';
export { baitStates, baitStateWords, tornText } from './torn-bait';
