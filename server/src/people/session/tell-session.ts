import { isLetIn } from '../demo';
import type { SessionRoute } from './session-context';
import { sessionView } from './session-view';

/** Who is signed in here; where nobody is, the ways to sign in. That is no failure: every page asks it first. */
export const tellSession: SessionRoute<'getSession'> = (context) => async (request, response) => {
  const { door, singleSignOnShop } = context;
  if (request.session.signedIn) response.json(await sessionView(context, request));
  else response.json({ kind: 'nobody', isDemo: isLetIn(door, request), singleSignOn: singleSignOnShop });
};
