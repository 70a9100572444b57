/** A crew: what several anglers share of their outings, as one board. */
export { crewBoard, crewSchoolText, crewWords, sharedOuting, type CrewBoard, type CrewMember, type CrewRow, type CrewSchool } from './board';
