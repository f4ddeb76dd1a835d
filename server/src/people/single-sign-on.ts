/**
 * OpenID Connect for shops that have accounts of their own: authorization code with PKCE, state and nonce
 * (OpenID Connect Core 1.0, RFC 7636). Who somebody is here is told by the verified e-mail address of the ID token.
 */
import type { ShopId } from '@tetrad/contracts';
import * as oidc from 'openid-client';
import { Refusal, problem } from '../platform/http/problem';

export interface SingleSignOnConfig {
  readonly issuer: string;
  readonly clientId: string;
  readonly clientSecret: string;
  /** The shop whose people sign in so. */
  readonly shop: ShopId;
}

/** What must be known again when the browser comes back. */
export interface Flow {
  readonly verifier: string;
  readonly state: string;
  readonly nonce: string;
}

/** Whom the issuer vouches for. */
export interface Identity {
  readonly issuer: string;
  readonly subject: string;
  readonly email: string;
}

/** The issuer is asked for at most so long, s. */
const PATIENCE_S = 10;

export class SingleSignOn {
  #found: Promise<oidc.Configuration> | null = null;

  constructor(private readonly config: SingleSignOnConfig) {}

  get shop(): ShopId {
    return this.config.shop;
  }

  /** Where the browser goes to, and what must be kept until it comes back. @param callback Where it comes back to. */
  async begin(callback: string): Promise<{ readonly address: string; readonly flow: Flow }> {
    const issuer = await this.#issuer();
    const flow = {
      verifier: oidc.randomPKCECodeVerifier(),
      state: oidc.randomState(),
      nonce: oidc.randomNonce(),
    };
    const address = oidc.buildAuthorizationUrl(issuer, {
      redirect_uri: callback,
      scope: 'openid email',
      state: flow.state,
      nonce: flow.nonce,
      code_challenge: await oidc.calculatePKCECodeChallenge(flow.verifier),
      code_challenge_method: 'S256',
    });
    return { address: address.href, flow };
  }

  /**
   * @param came The address that the browser came back to, with what the issuer said in it.
   * @returns null where the issuer vouches for nobody with a verified address.
   * @throws Error of the package where the answer does not belong to the flow, or is not the issuer's.
   */
  async finish(came: string, { verifier, state, nonce }: Flow): Promise<Identity | null> {
    const issuer = await this.#issuer();
    const tokens = await oidc.authorizationCodeGrant(issuer, new URL(came), {
      pkceCodeVerifier: verifier,
      expectedState: state,
      expectedNonce: nonce,
      idTokenExpected: true,
    });
    const claims = tokens.claims();
    const email = claims?.['email'];
    if (claims?.['email_verified'] !== true || typeof email !== 'string') return null;
    return { issuer: claims.iss, subject: claims.sub, email: email.toLowerCase() };
  }

  /** What the issuer says of itself, asked for when it is first needed. @throws Refusal 503 where it does not answer. */
  async #issuer(): Promise<oidc.Configuration> {
    this.#found ??= this.#discover();
    try {
      return await this.#found;
    } catch {
      this.#found = null;
      throw new Refusal(
        problem(503, 'issuer-away', `${this.config.issuer} does not answer; sign in with name and password, or later.`),
      );
    }
  }

  #discover(): Promise<oidc.Configuration> {
    const { issuer, clientId, clientSecret } = this.config;
    const address = new URL(issuer);
    const isHere = address.protocol === 'http:' && ['127.0.0.1', 'localhost', '[::1]'].includes(address.hostname);
    return oidc.discovery(address, clientId, clientSecret, oidc.ClientSecretBasic(clientSecret), {
      timeout: PATIENCE_S,
      ...(isHere && { execute: [oidc.allowInsecureRequests] }), // without TLS on this machine only
    });
  }
}
