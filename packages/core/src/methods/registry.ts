import { bankSteps, skinSteps, unknownSteps, type DaySteps, type Surface } from '../outlook';
import { cast } from './cast';
import { ice } from './ice';
import type { EffortUnit, Method } from './method';
import { pole } from './pole';
import { troll } from './troll';
import { vertical } from './vertical';

const known = new Map<string, Method>([ice, vertical, cast, pole, troll].map((method) => [method.id, method]));

/** The way taken where nothing says another: what version 1 of the ledger knew, and what a new outing on ice is. */
export const usualMethod = ice;

/** Makes a way of fishing known. RangeError for an id that is taken. */
export function addMethod(method: Method): void {
  if (known.has(method.id)) throw new RangeError(`expected an id that no way of fishing has, found "${method.id}"`);
  known.set(method.id, method);
}

/** A way of fishing by its id; undefined for one that this version does not know. */
export const methodOf = (id: string): Method | undefined => known.get(id);

/** Ids of all ways of fishing. */
export const methodIds = (): string[] => [...known.keys()];

/** Ways of fishing that a surface allows, the usual one first. */
export const methodsOn = (surface: Surface): Method[] => [...known.values()].filter((m) => m.surfaces.includes(surface));

/**
 * The other ways there are, offered after those of `methodsOn`: what the model says of a surface bars nobody. Where water moves ice comes last, for who has
 * measured it there: `riverIce` is said with it, and nothing plans a walk over it.
 */
export const otherMethods = (surface: Surface): Method[] =>
  [...known.values()].filter((m) => !m.surfaces.includes(surface)).sort((a, b) => (surface === 'moving' ? Number(a.isOnIce) - Number(b.isOnIce) : 0));

/** The ends of a day on a water: of the way chosen where the surface allows it, else from the bank; where nobody knows the surface, find out first. */
export function stepsOn(surface: Surface, methodId?: string): DaySteps {
  if (surface === 'unknown') return unknownSteps;
  if (surface === 'skin') return skinSteps;
  const ways = methodsOn(surface);
  return (ways.find((m) => m.id === methodId) ?? ways[0])?.steps ?? bankSteps;
}

/** What the effort of a way of fishing is counted in; lines count by minutes where it is not known. */
export const effortUnitOf = (id: string): EffortUnit => known.get(id)?.effort ?? 'minutes';
