/**
 * What a page needs before any body is checked: who may do what, and a few figures.
 *
 * The index takes class-validator and the judge along with it; the first screen imports from here.
 */
export { PERMISSIONS, PERMISSION_NAMES, ROLES, may } from './roles';
export type { Permission, PermissionName, Role } from './roles';
export { CAPTURE_MOST_BYTES, CAPTURE_PIECE_BYTES, PAGE_MOST, PIN_DIGITS } from './sizes';
