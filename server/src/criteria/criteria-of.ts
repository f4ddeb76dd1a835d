/** The criteria set that a job is judged by: one that ships, or the version of the shop's own that is in force. */
import type { ShopId } from '@tetrad/contracts';
import { SCHOOLS, schoolById } from '@tetrad/core';
import type { CriteriaSet } from '@tetrad/core';
import type { Sql } from '../platform/database/pool';
import { misfit } from '../platform/http/problem';
import { findVersion, setsInForce, versionInForce } from './criteria.sql';

/** Versions never change: those used last are kept, by shop, set and version. */
const KNOWN = new Map<string, CriteriaSet>();
const MAX_KNOWN = 200;

/** @returns null where neither a set that ships nor one of the shop in force has that id. */
export async function findCriteria(sql: Sql, shop: ShopId, id: string): Promise<CriteriaSet | null> {
  const shipped = schoolById(id);
  if (shipped) return shipped;
  const version = await versionInForce(sql, shop, id);
  if (version === null) return null;
  const key = `${shop} ${id} ${version}`;
  const known = KNOWN.get(key);
  if (known) return known;
  const document = await findVersion(sql, shop, id, version);
  if (!document) return null;
  if (KNOWN.size >= MAX_KNOWN) KNOWN.delete(KNOWN.keys().next().value!);
  KNOWN.set(key, document);
  return document;
}

/** @throws Refusal that names the field and every set there is: an unknown one is never taken for another. */
export async function criteriaOf(sql: Sql, shop: ShopId, id: string, field = 'criteria'): Promise<CriteriaSet> {
  const found = await findCriteria(sql, shop, id);
  if (found) return found;
  const known = [...SCHOOLS.map((set) => set.id), ...(await setsInForce(sql, shop))];
  throw misfit([{ field, found: id, allowed: `one of ${known.join(', ')}` }]);
}
