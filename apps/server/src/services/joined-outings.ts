import type { EntityManager } from 'typeorm';

/**
 * Ids of the outings that add up together with one: it, and whatever a `joined` entry ties to it, directly or through others.
 * Undone joins are followed as well: outings that stand alone only add up beside each other.
 */
export async function joinedOutings(manager: EntityManager, accountId: string, outingId: string): Promise<string[]> {
  const joins: { outing: string; into: string }[] = await manager.query(`SELECT outing, body->>'into' AS into FROM event WHERE account_id = $1 AND kind = 'joined'`, [accountId]);
  const group = new Set([outingId]);
  for (let size = 0; size !== group.size;) {
    size = group.size;
    for (const { outing, into } of joins) {
      if (group.has(outing)) group.add(into);
      if (group.has(into)) group.add(outing);
    }
  }
  return [...group];
}
