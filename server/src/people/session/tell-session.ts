import { isLetIn } from '../demo';
import { Refusal } from '../../platform/http/problem';
import { NOT_SIGNED_IN } from '../who';
import type { SessionRoute } from './session-context';
import { sessionView } from './session-view';

/** Who is signed in here; where nobody is, the ways to sign in. */
export const tellSession: SessionRoute<'getSession'> = (context) => async (request, response) => {
  if (!request.session.signedIn)
    throw new Refusal({
      ...NOT_SIGNED_IN,
      ...(isLetIn(context.door, request) && { demo: true }),
      ...(context.singleSignOnShop !== null && { singleSignOn: context.singleSignOnShop }),
    });
  response.json(await sessionView(context, request));
};
