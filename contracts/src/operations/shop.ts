import { NewApiKey, WebhookBody } from '../open-interface';
import { NewPerson, PersonChanges, ShopChanges } from '../people';
import { NewPracticeResult } from '../practice';
import type { OperationGroup } from './operation';

export const SHOP: OperationGroup = {
  name: 'Shop, people and keys',
  about: 'Who works here, what holds for all devices, the audit log, keys and webhooks.',
  operations: [
    {
      ...{ id: 'getSettings', method: 'GET', path: '/settings', permission: 'change-shop', isOpenToKeys: false },
      summary: 'What the shop has chosen for all its devices.',
      answer: { status: 200, type: 'ShopSettingsView' },
    },
    {
      ...{
        id: 'changeSettings',
        method: 'PUT',
        path: '/settings',
        body: ShopChanges,
        permission: 'change-shop',
        isOpenToKeys: false,
      },
      summary: 'Chooses it.',
      answer: { status: 200, type: 'ShopSettingsView' },
    },
    {
      ...{ id: 'listPeople', method: 'GET', path: '/people', isOpenToKeys: false },
      summary: 'The people of the shop.',
      answer: { status: 200, type: 'PersonView', isList: true },
    },
    {
      ...{
        id: 'addPerson',
        method: 'POST',
        path: '/people',
        body: NewPerson,
        permission: 'manage-people',
        isOpenToKeys: false,
      },
      summary: 'Adds a person; the answer holds the one-time password.',
      answer: { status: 201, type: 'OpenedPerson' },
    },
    {
      ...{
        id: 'changePerson',
        method: 'PATCH',
        path: '/people/{person}',
        body: PersonChanges,
        permission: 'manage-people',
        isOpenToKeys: false,
      },
      summary: 'Changes role or state of an account.',
      answer: { status: 200, type: 'PersonView' },
    },
    {
      ...{
        id: 'resetPassword',
        method: 'POST',
        path: '/people/{person}/one-time-password',
        permission: 'manage-people',
        isOpenToKeys: false,
      },
      summary: 'A new one-time password; sessions end.',
      answer: { status: 200, type: 'OpenedPerson' },
    },
    {
      ...{
        id: 'endSessions',
        method: 'POST',
        path: '/people/{person}/end-sessions',
        ofOthers: 'manage-people',
        isOpenToKeys: false,
      },
      summary: 'Ends every session of a person.',
      answer: { status: 200, type: 'EndedSessionsView' },
    },
    {
      ...{
        id: 'listSessions',
        method: 'GET',
        path: '/people/{person}/sessions',
        ofOthers: 'manage-people',
        isOpenToKeys: false,
      },
      summary: 'The open sessions of a person.',
      answer: { status: 200, type: 'OpenSessionView', isList: true },
    },
    {
      ...{
        id: 'endSession',
        method: 'DELETE',
        path: '/people/{person}/sessions/{session}',
        ofOthers: 'manage-people',
        isOpenToKeys: false,
      },
      summary: 'Ends one of them.',
      answer: { status: 204 },
    },
    {
      ...{ id: 'listAuditLog', method: 'GET', path: '/acts', permission: 'read-acts', isOpenToKeys: false },
      summary: 'Who did what and when, the newest first.',
      answer: { status: 200, type: 'ActView', isList: true },
    },
    {
      ...{ id: 'getBackups', method: 'GET', path: '/backups', permission: 'read-acts', isOpenToKeys: false },
      summary: 'What is known of backups.',
      answer: { status: 200, type: 'BackupsView' },
    },
    {
      ...{ id: 'listPracticeResults', method: 'GET', path: '/practice/results', isOpenToKeys: false },
      summary: 'One’s own results of the practice bay.',
      answer: { status: 200, type: 'PracticeResultView', isList: true },
    },
    {
      ...{
        id: 'putPracticeResult',
        method: 'PUT',
        path: '/practice/results/{result}',
        body: NewPracticeResult,
        isOpenToKeys: false,
      },
      summary: 'Stores a result.',
      answer: { status: 204 },
    },
    {
      ...{ id: 'getClass', method: 'GET', path: '/practice/class', permission: 'see-class', isOpenToKeys: false },
      summary: 'How everybody of the shop practices.',
      answer: { status: 200, type: 'PracticedPerson', isList: true },
    },
    {
      ...{ id: 'listApiKeys', method: 'GET', path: '/api-keys', permission: 'manage-people', isOpenToKeys: false },
      summary: 'The keys of the shop’s own programs.',
      answer: { status: 200, type: 'ApiKeyView', isList: true },
    },
    {
      ...{
        id: 'createApiKey',
        method: 'POST',
        path: '/api-keys',
        body: NewApiKey,
        permission: 'manage-people',
        isOpenToKeys: false,
      },
      summary: 'Makes a key; the answer holds it, once.',
      answer: { status: 201, type: 'NewApiKeyView' },
    },
    {
      ...{
        id: 'revokeApiKey',
        method: 'DELETE',
        path: '/api-keys/{key}',
        permission: 'manage-people',
        isOpenToKeys: false,
      },
      summary: 'Revokes a key.',
      answer: { status: 204 },
    },
    {
      ...{ id: 'listWebhooks', method: 'GET', path: '/webhooks', permission: 'change-shop', isOpenToKeys: false },
      summary: 'Addresses that are told what happens.',
      answer: { status: 200, type: 'WebhookView', isList: true },
    },
    {
      ...{
        id: 'putWebhook',
        method: 'PUT',
        path: '/webhooks/{webhook}',
        body: WebhookBody,
        permission: 'change-shop',
        isOpenToKeys: false,
      },
      summary: 'Adds an address, or changes what it is told.',
      answer: { status: 200, type: 'WebhookView' },
    },
    {
      ...{
        id: 'removeWebhook',
        method: 'DELETE',
        path: '/webhooks/{webhook}',
        permission: 'change-shop',
        isOpenToKeys: false,
      },
      summary: 'Removes an address.',
      answer: { status: 204 },
    },
    {
      ...{
        id: 'tryWebhook',
        method: 'POST',
        path: '/webhooks/{webhook}/test',
        permission: 'change-shop',
        isOpenToKeys: false,
      },
      summary: 'Sends a message that tells nothing.',
      answer: { status: 202 },
    },
    {
      ...{
        id: 'listDeliveries',
        method: 'GET',
        path: '/webhooks/{webhook}/deliveries',
        permission: 'change-shop',
        isOpenToKeys: false,
      },
      summary: 'The newest messages, and what came of them.',
      answer: { status: 200, type: 'DeliveryView', isList: true },
    },
  ],
};
