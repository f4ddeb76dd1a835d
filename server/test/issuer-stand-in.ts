/** A small OpenID Connect issuer on loopback: one client, and whoever `person` says is at the browser. */
import { createHash, randomUUID } from 'node:crypto';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { SignJWT, exportJWK, generateKeyPair } from 'jose';

export interface IssuerPerson {
  readonly sub: string;
  readonly email?: string;
  readonly email_verified?: boolean;
}

export const CLIENT = { clientId: 'tetrad', clientSecret: 'a secret of the stand-in' };

export class IssuerStandIn {
  /** Who is signed in there. */
  person: IssuerPerson = { sub: '1' };
  /** What the next ID tokens say otherwise: nonce, audience, issuer. */
  forged: { readonly nonce?: string; readonly aud?: string; readonly iss?: string } = {};
  readonly #codes = new Map<string, { challenge: string; redirect: string; nonce: string }>();
  #keys!: Awaited<ReturnType<typeof generateKeyPair>>;
  readonly #server = createServer((request, response) => {
    let body = '';
    request.on('data', (part) => (body += part));
    request.on('end', () => {
      void this.#answer(new URL(request.url!, this.url), request.headers.authorization ?? '', body).then(
        ({ status = 200, location, json }) => {
          response.writeHead(status, { 'content-type': 'application/json', ...(location && { location }) });
          response.end(JSON.stringify(json ?? {}));
        },
      );
    });
  });

  get url(): string {
    return `http://127.0.0.1:${(this.#server.address() as AddressInfo).port}`;
  }

  async open(): Promise<void> {
    this.#keys = await generateKeyPair('RS256');
    await new Promise<void>((resolve) => this.#server.listen(0, '127.0.0.1', resolve));
  }
  async close(): Promise<void> {
    this.#server.closeAllConnections();
    await new Promise((resolve) => this.#server.close(resolve));
  }

  async #answer(
    { pathname, searchParams: asked }: URL,
    authorization: string,
    body: string,
  ): Promise<{ status?: number; location?: string; json?: unknown }> {
    if (pathname === '/.well-known/openid-configuration')
      return {
        json: {
          issuer: this.url,
          authorization_endpoint: `${this.url}/authorize`,
          token_endpoint: `${this.url}/token`,
          jwks_uri: `${this.url}/keys`,
          response_types_supported: ['code'],
          subject_types_supported: ['public'],
          id_token_signing_alg_values_supported: ['RS256'],
        },
      };
    if (pathname === '/keys')
      return { json: { keys: [{ ...(await exportJWK(this.#keys.publicKey)), kid: '1', alg: 'RS256', use: 'sig' }] } };
    if (pathname === '/authorize') {
      const code = randomUUID();
      const redirect = asked.get('redirect_uri')!;
      this.#codes.set(code, { challenge: asked.get('code_challenge')!, redirect, nonce: asked.get('nonce')! });
      return { status: 302, location: `${redirect}?code=${code}&state=${asked.get('state')}` };
    }
    return pathname === '/token' ? this.#token(authorization, new URLSearchParams(body)) : { status: 404 };
  }

  async #token(authorization: string, form: URLSearchParams) {
    const refused = { status: 400, json: { error: 'invalid_grant' } };
    const { clientId, clientSecret } = CLIENT;
    const basic = Buffer.from(authorization.replace(/^Basic /, ''), 'base64').toString();
    const [id, secret] = basic.split(':').map((part) => decodeURIComponent(part.replaceAll('+', ' ')));
    if (id !== clientId || secret !== clientSecret) return { status: 401, json: { error: 'invalid_client' } };
    const given = this.#codes.get(form.get('code')!);
    this.#codes.delete(form.get('code')!); // a code is good once
    const challenge = createHash('sha256')
      .update(form.get('code_verifier') ?? '')
      .digest('base64url');
    if (given?.challenge !== challenge || given.redirect !== form.get('redirect_uri')) return refused;
    const token = await new SignJWT({ ...this.person, nonce: this.forged.nonce ?? given.nonce })
      .setProtectedHeader({ alg: 'RS256', kid: '1' })
      .setIssuer(this.forged.iss ?? this.url)
      .setAudience(this.forged.aud ?? clientId)
      .setIssuedAt()
      .setExpirationTime('5m')
      .sign(this.#keys.privateKey);
    return { json: { access_token: randomUUID(), token_type: 'Bearer', id_token: token } };
  }
}
