import { badPiece } from '../../circuit/model/bad-piece';
import { postConnection } from '../post-connection';

export const connectionPositivePost = postConnection('positive');

export const connectionPositivePostEffect = /* @__PURE__ */ badPiece('positive-post');
