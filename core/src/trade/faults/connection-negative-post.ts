import { badPiece } from '../../circuit/model/bad-piece';
import { postConnection } from '../post-connection';

export const connectionNegativePost = postConnection('negative');

export const connectionNegativePostEffect = badPiece('negative-post');
