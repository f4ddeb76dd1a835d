/** The demo's made-up people. They have PINs, told in the README, and no passwords; nobody else is let in without one. */
import type { Request } from 'express';
import type { Role } from '@tetrad/contracts';
import { DEMO_SHOP, EMPTY_SHOP } from '../shops/demo-shops';
import { isFromHere } from '../platform/http/from-here';

/** Where the demo lets people in without a password: nowhere, from this machine, or from anywhere. */
export const DEMO_DOORS = ['closed', 'loopback', 'open'] as const;
export type DemoDoor = (typeof DEMO_DOORS)[number];

export interface DemoPerson {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly pin: string;
}
const demoPerson = (index: number, name: string, role: Role, pin: string): DemoPerson => ({
  id: `7e7ad000-0000-4000-8c00-${String(index).padStart(12, '0')}`,
  name,
  role,
  pin,
});
/** The first is the one who is signed in. */
export const DEMO_PEOPLE: readonly DemoPerson[] = [
  demoPerson(1, 'Ilse Marrow', 'technician', '2580'),
  demoPerson(2, 'Tomas Aldery', 'lead', '1470'),
  demoPerson(3, 'Bo Hannick', 'apprentice', '3690'),
  demoPerson(4, 'Edda Quill', 'administrator', '7410'),
];
export const DEMO_SHOPS = [DEMO_SHOP, EMPTY_SHOP];

/** Whether the demo signs this one in by itself. */
export const isLetIn = (door: DemoDoor, request: Request): boolean =>
  door === 'open' || (door === 'loopback' && isFromHere(request));
