/** One version of a set, as an address names it and as it is told. */
import type { Request } from 'express';
import type { CriteriaView, ShopId } from '@tetrad/contracts';
import { schoolById } from '@tetrad/core';
import type { Sql } from '../platform/database/pool';
import { misfit } from '../platform/http/problem';
import { listOwnSets } from './criteria.sql';

/** A version as it is told. It must be there. */
export async function viewOf(sql: Sql, shop: ShopId, id: string, version: number): Promise<CriteriaView> {
  const versions = await listOwnSets(sql, shop, id);
  return versions.find(({ document }) => document.version === version)!;
}

/** @throws Refusal where the address names no number of a version. */
export function versionParam(request: Request): { readonly id: string; readonly version: number } {
  const { set = '', version = '' } = request.params as Record<string, string>;
  if (!/^[1-9]\d{0,6}$/.test(version))
    throw misfit([{ field: 'version', found: JSON.stringify(version), allowed: 'the number of a version' }]);
  return { id: set, version: Number(version) };
}

/** @throws Refusal where the id is that of a set that ships. */
export function refuseShipped(id: string, field: string): void {
  if (schoolById(id))
    throw misfit([{ field, found: id, allowed: 'an id of your own: sets that ship are copied and not changed' }]);
}
