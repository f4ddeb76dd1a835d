import { postConnection } from '../post-connection';

export const connectionPositivePost = postConnection('positive');
