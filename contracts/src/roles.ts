/** Who may do what in a shop: the one table of it. */
export const ROLES = ['apprentice', 'technician', 'lead', 'administrator'] as const;
export type Role = (typeof ROLES)[number];

export interface Permission {
  /** In a sentence: "may …". */
  readonly words: string;
  readonly roles: readonly Role[];
}

const TRAINED: readonly Role[] = ['technician', 'lead', 'administrator'];
const LEADING: readonly Role[] = ['lead', 'administrator'];

export const PERMISSIONS = {
  work: { words: 'measure, observe and acknowledge on a job', roles: ROLES },
  'see-all-jobs': { words: 'see the jobs of others', roles: TRAINED },
  'sign-off': { words: 'sign a job off as the judge decided', roles: TRAINED },
  differ: { words: 'sign a job off otherwise than the judge decided', roles: LEADING },
  'edit-criteria': { words: 'change the limits of the shop', roles: LEADING },
  'read-acts': { words: 'read the audit log', roles: LEADING },
  'change-instruments': { words: 'change the address, scale or accuracy of an instrument', roles: LEADING },
  'see-class': { words: 'see how others practice', roles: LEADING },
  'change-shop': { words: 'choose what holds for all devices of the shop', roles: ['administrator'] },
  'manage-people': { words: 'add people, change their roles and end their sessions', roles: ['administrator'] },
} as const satisfies Readonly<Record<string, Permission>>;
export type PermissionName = keyof typeof PERMISSIONS;
export const PERMISSION_NAMES = Object.keys(PERMISSIONS) as readonly PermissionName[];

export const may = (role: Role, permission: PermissionName): boolean =>
  (PERMISSIONS[permission] as Permission).roles.includes(role);
