import { postConnection } from '../post-connection';

export const connectionNegativePost = postConnection('negative');
