import { badPiece } from '../../circuit/model/bad-piece';
import { postConnection } from '../post-connection';

export const connectionNegativePost = postConnection('negative', { 'low-output': 0.4 });

export const connectionNegativePostEffect = /* @__PURE__ */ badPiece('negative-post');
