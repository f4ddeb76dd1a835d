import { Router } from 'express';
import type { Request } from 'express';
import { ChangeOver, DemoSignIn, OwnSecrets, PairPhone, SignIn } from '@tetrad/contracts';
import type { SessionKind, SessionView } from '@tetrad/contracts';
import { addAct } from '../acts/acts.sql';
import { bodyAs } from '../http/body';
import { Refusal, misfit, problem } from '../http/problem';
import { inTransaction } from '../sql/pool';
import type { Pool } from '../sql/pool';
import { findShop } from '../sql/shops';
import { inShop } from '../sql/working-shop';
import { attemptFailed, attemptSucceeded, beforeAttempt, byAccount, byAddress, byPin } from './attempts.sql';
import type { Counted } from './attempts.sql';
import { DEMO_PEOPLE, DEMO_SHOPS, isLetIn } from './demo';
import type { DemoDoor } from './demo';
import { closeSession, openSession } from './open-session';
import { takePairing } from './pairings.sql';
import { changePerson, endSessions, findPerson, personNamed } from './people.sql';
import type { PersonRow } from './people.sql';
import { hashSecret, isSecret, tokenHash } from './secrets';
import { shopOfSession } from './session-store';
import { NOT_SIGNED_IN, actor, only, whoOf } from './who';

const signedIn = (shop: string, { id, name, role }: PersonRow, kind: SessionKind, job: string | null = null) => ({
  kind,
  shop,
  person: id,
  job,
  name,
  role,
});

/** Signing in and out, and one's own password and PIN. */
export function sessionRoutes(pool: Pool, door: DemoDoor, singleSignOnShop: string | null): Router {
  const router = Router();

  async function view(request: Request): Promise<SessionView> {
    const { kind, shop, person, name, role, job } = whoOf(request);
    const known = await inShop(shop, () => findShop(pool, shop));
    return {
      kind,
      person: { id: person, name, role },
      shop: known ?? { id: shop, name: shop },
      job,
      endsAt: request.session.endsAt ?? '',
      hasSingleSignOn: shop === singleSignOnShop,
      demoShops: kind === 'device' && isLetIn(door, request) ? DEMO_SHOPS : [],
    };
  }

  /** Compares a secret, counted and slowed; a wrong one is answered alike for all reasons. */
  async function prove(
    request: Request,
    person: PersonRow | null,
    isRight: () => Promise<boolean>,
    counted: readonly Counted[],
    refusal: Refusal,
  ): Promise<PersonRow> {
    await beforeAttempt(pool, counted);
    if ((await isRight()) && person?.active) {
      await attemptSucceeded(pool, counted);
      return person;
    }
    await attemptFailed(pool, counted);
    await addAct(pool, { what: 'sign-in-failed', person: null, from: request.ip ?? null, about: person?.id ?? null });
    throw refusal;
  }

  router.get('/', async (request, response) => {
    if (!request.session.signedIn)
      throw new Refusal({
        ...NOT_SIGNED_IN,
        ...(isLetIn(door, request) && { demo: true }),
        ...(singleSignOnShop !== null && { singleSignOn: singleSignOnShop }),
      });
    response.json(await view(request));
  });

  router.post('/', async (request, response) => {
    const { shop, name, password } = bodyAs(SignIn, request);
    const wrong = new Refusal(problem(401, 'wrong-sign-in', 'This shop, name and password do not belong together.'));
    await inShop(shop, async () => {
      if (!(await findShop(pool, shop))) {
        await isSecret(password, null);
        throw wrong;
      }
      const found = await personNamed(pool, name);
      const person = await prove(
        request,
        found,
        () => isSecret(password, found?.passwordHash ?? null),
        [byAccount(name), byAddress(request.ip ?? null)],
        wrong,
      );
      await openSession(request, signedIn(shop, person, person.mustChange ? 'first' : 'device'));
      await addAct(pool, { what: 'signed-in', ...actor(request) });
    });
    response.status(201).json(await view(request));
  });

  router.post('/demo', async (request, response) => {
    const { shop = DEMO_SHOPS[0]!.id } = bodyAs(DemoSignIn, request);
    if (!isLetIn(door, request))
      throw new Refusal(problem(403, 'no-demo', 'This is not the demo, or not the machine that it runs on.'));
    if (!DEMO_SHOPS.some(({ id }) => id === shop))
      throw misfit([{ field: 'shop', found: shop, allowed: `one of ${DEMO_SHOPS.map(({ id }) => id).join(', ')}` }]);
    await inShop(shop, async () => {
      const person = await findPerson(pool, DEMO_PEOPLE[0]!.id);
      if (!person?.active) throw new Refusal(problem(403, 'no-demo', 'The made-up technician of the demo is gone.'));
      await openSession(request, signedIn(shop, person, 'device'));
      await addAct(pool, { what: 'signed-in', ...actor(request) });
    });
    response.status(201).json(await view(request));
  });

  router.post('/change-over', only('device'), async (request, response) => {
    const { shop } = whoOf(request);
    const { person: id, pin } = bodyAs(ChangeOver, request);
    const endsAt = new Date(request.session.endsAt ?? Date.now());
    await inShop(shop, async () => {
      const found = await findPerson(pool, id);
      const person = await prove(
        request,
        found,
        () => isSecret(pin, found?.pinHash ?? null),
        [byPin(id)],
        new Refusal(problem(403, 'wrong-pin', 'This PIN is not the one of that person.')),
      );
      await openSession(request, signedIn(shop, person, 'device'), endsAt); // the shift goes on, it does not begin again
      await addAct(pool, { what: 'changed-over', ...actor(request) });
    });
    response.json(await view(request));
  });

  router.post('/phone', async (request, response) => {
    const { key } = bodyAs(PairPhone, request);
    const shop = shopOfSession(key);
    await inShop(shop, async () => {
      const pairing = await takePairing(pool, tokenHash(key));
      const person = pairing && (await findPerson(pool, pairing.person));
      if (!pairing || !person?.active)
        throw new Refusal(
          problem(403, 'no-pairing', 'This code has been used or is too old. Show a new one on the bench.'),
        );
      await openSession(request, signedIn(shop, person, 'phone', pairing.job));
      await addAct(pool, { what: 'phone-paired', ...actor(request), about: pairing.job });
    });
    response.status(201).json(await view(request));
  });

  router.put('/secrets', only('device', 'first'), async (request, response) => {
    const { shop, person: id } = whoOf(request);
    const { password, newPassword, pin } = bodyAs(OwnSecrets, request);
    await inShop(shop, async () => {
      const found = await findPerson(pool, id);
      const person = await prove(
        request,
        found,
        () => isSecret(password, found?.passwordHash ?? null),
        [byAccount(found?.name ?? '')],
        misfit([{ field: 'password', found: 'another', allowed: 'your password of now' }]),
      );
      if (person.mustChange && !newPassword)
        throw misfit([{ field: 'newPassword', found: 'nothing', allowed: 'a password of your own' }]);
      const passwordHash = newPassword && (await hashSecret(newPassword));
      const pinHash = pin && (await hashSecret(pin));
      await inTransaction(pool, async (sql) => {
        await changePerson(sql, id, { passwordHash, pinHash, ...(newPassword && { mustChange: false }) });
        // whoever knew the old one is out
        if (newPassword) await endSessions(sql, id);
        await addAct(sql, { what: 'secrets-changed', ...actor(request) });
      });
      if (newPassword) await openSession(request, signedIn(shop, person, 'device'));
    });
    response.json(await view(request));
  });

  router.delete('/', async (request, response) => {
    const { shop } = whoOf(request);
    await inShop(shop, async () => {
      await addAct(pool, { what: 'signed-out', ...actor(request) });
      await closeSession(request);
    });
    response.status(204).end();
  });

  return router;
}
