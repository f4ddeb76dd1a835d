import { CheckCriteria, NewCriteria, UsualCriteria } from '../criteria';
import type { OperationGroup } from './operation';

export const CRITERIA: OperationGroup = {
  name: 'Criteria',
  about: 'The limit sets of the shop.',
  operations: [
    {
      ...{ id: 'listCriteria', method: 'GET', path: '/criteria', isOpenToKeys: true },
      summary: 'The sets that ship and the shop’s own, version by version.',
      answer: { status: 200, type: 'CriteriaListView' },
    },
    {
      ...{
        id: 'checkCriteria',
        method: 'POST',
        path: '/criteria/check',
        body: CheckCriteria,
        permission: 'edit-criteria',
        isOpenToKeys: false,
      },
      summary: 'What is wrong with a set, and what it would condemn of the newest jobs.',
      permission: 'edit-criteria',
      answer: { status: 200, type: 'CheckedCriteriaView' },
    },
    {
      ...{
        id: 'saveCriteria',
        method: 'POST',
        path: '/criteria',
        body: NewCriteria,
        permission: 'edit-criteria',
        isOpenToKeys: false,
      },
      summary: 'Saves a version of the shop’s own set; it is never changed afterwards.',
      permission: 'edit-criteria',
      answer: { status: 201, type: 'CriteriaView' },
    },
    {
      ...{
        id: 'chooseCriteria',
        method: 'PUT',
        path: '/criteria/usual',
        body: UsualCriteria,
        permission: 'edit-criteria',
        isOpenToKeys: false,
      },
      summary: 'Chooses the set that new jobs begin with.',
      permission: 'edit-criteria',
      answer: { status: 204 },
    },
    {
      ...{ id: 'putCriteriaInForce', method: 'POST', path: '/criteria/{set}/versions/{version}/in-force' },
      ...{ isOpenToKeys: false, permission: 'edit-criteria' },
      summary: 'Puts a version in force: jobs of that set are judged by it from then on.',
      answer: { status: 200, type: 'CriteriaView' },
    },
    {
      ...{ id: 'rejudge', method: 'POST', path: '/criteria/{set}/versions/{version}/rejudge' },
      ...{ isOpenToKeys: false, permission: 'edit-criteria' },
      summary:
        'Judges past jobs by a version and tells line by line which decisions would be others; closing it ends it.',
      answer: { status: 200, media: 'application/x-ndjson' },
    },
  ],
};
