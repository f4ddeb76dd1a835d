import { Router } from 'express';
import { changeOwnSecrets } from './session/change-own-secrets';
import { demoSignIn } from './session/demo-sign-in';
import { pairPhone } from './session/pair-phone';
import type { SessionContext } from './session/session-context';
import { signIn } from './session/sign-in';
import { signOut } from './session/sign-out';
import { switchUser } from './session/switch-user';
import { tellSession } from './session/tell-session';
import { only } from './who';

/** Signing in and out, and one's own password and PIN. */
export function sessionRoutes(context: SessionContext): Router {
  const router = Router();
  router.get('/', tellSession(context));
  router.post('/', signIn(context));
  router.post('/demo', demoSignIn(context));
  router.post('/change-over', only('device'), switchUser(context));
  router.post('/phone', pairPhone(context));
  router.put('/secrets', only('device', 'first'), changeOwnSecrets(context));
  router.delete('/', signOut(context));
  return router;
}
