import { CheckCriteria, NewCriteria, UsualCriteria } from '../criteria';
import { PEOPLE, PEOPLE_AND_KEYS } from './operation';
import type { OperationGroup } from './operation';

export const CRITERIA = {
  name: 'Criteria',
  about: 'The limit sets of the shop.',
  operations: {
    listCriteria: {
      method: 'GET',
      path: '/criteria',
      by: PEOPLE_AND_KEYS,
      summary: 'The sets that ship and the shop’s own, version by version.',
      answer: { status: 200, type: 'CriteriaListView' },
    },
    checkCriteria: {
      method: 'POST',
      path: '/criteria/check',
      body: CheckCriteria,
      bodyKind: 'case',
      by: PEOPLE,
      permission: 'edit-criteria',
      summary: 'What is wrong with a set, and what it would condemn of the newest jobs.',
      answer: { status: 200, type: 'CheckedCriteriaView' },
    },
    saveCriteria: {
      method: 'POST',
      path: '/criteria',
      body: NewCriteria,
      bodyKind: 'case',
      by: PEOPLE,
      permission: 'edit-criteria',
      summary: 'Saves a version of the shop’s own set; it is never changed afterwards.',
      answer: { status: 201, type: 'CriteriaView' },
    },
    chooseCriteria: {
      method: 'PUT',
      path: '/criteria/usual',
      body: UsualCriteria,
      by: PEOPLE,
      permission: 'edit-criteria',
      summary: 'Chooses the set that new jobs begin with.',
      answer: { status: 204 },
    },
    putCriteriaInForce: {
      method: 'POST',
      path: '/criteria/{set}/versions/{version}/in-force',
      by: PEOPLE,
      permission: 'edit-criteria',
      summary: 'Puts a version in force: jobs of that set are judged by it from then on.',
      answer: { status: 200, type: 'CriteriaView' },
    },
    rejudge: {
      method: 'POST',
      path: '/criteria/{set}/versions/{version}/rejudge',
      by: PEOPLE,
      permission: 'edit-criteria',
      summary:
        'Judges past jobs by a version and tells line by line which decisions would be others; closing it ends it.',
      answer: { status: 200, media: 'application/x-ndjson' },
    },
  },
} as const satisfies OperationGroup;
