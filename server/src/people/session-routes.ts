import type { OperationId } from '@tetrad/contracts/operations';
import type { Handlers } from '../platform/http/handlers';
import { changeOwnSecrets } from './session/change-own-secrets';
import { demoSignIn } from './session/demo-sign-in';
import { pairPhone } from './session/pair-phone';
import type { SessionContext } from './session/session-context';
import { signIn } from './session/sign-in';
import { signOut } from './session/sign-out';
import { switchUser } from './session/switch-user';
import { tellSession } from './session/tell-session';

/** Signing in and out, and one's own password and PIN. */
export const sessionRoutes = (context: SessionContext) =>
  ({
    getSession: tellSession(context),
    signIn: signIn(context),
    signInToDemo: demoSignIn(context),
    switchUser: switchUser(context),
    joinByPhone: pairPhone(context),
    changeOwnSecrets: changeOwnSecrets(context),
    signOut: signOut(context),
  }) satisfies Partial<Handlers<OperationId>>;
