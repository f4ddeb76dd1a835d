import { Router } from 'express';
import type { Request } from 'express';
import { ChangeOver, DemoSignIn, OwnSecrets, PairPhone, ROLES, SignIn } from '@tetrad/contracts';
import type { Role, SessionKind, SessionView } from '@tetrad/contracts';
import { addAct } from '../acts/acts.sql';
import { bodyAs } from '../http/body';
import { Refusal, misfit, problem } from '../http/problem';
import { inTransaction } from '../sql/pool';
import type { Pool } from '../sql/pool';
import { findShop } from '../sql/shops';
import { inShop, workingShop } from '../sql/working-shop';
import {
  NO_SHOP,
  attemptSucceeded,
  byAddress,
  byDevice,
  byPassword,
  byPin,
  byShop,
  byUnknownName,
  reserveAttempt,
} from './attempts.sql';
import type { Counter } from './attempts.sql';
import { DEMO_PEOPLE, DEMO_SHOPS, isLetIn } from './demo';
import type { DemoDoor } from './demo';
import { OPENED_BY_DEMO, closeSession, openSession } from './open-session';
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

interface Password {
  readonly password: string;
  /** Where it is wrong. */
  readonly refusal: Refusal;
}

/** A secret to be compared. */
interface Proof {
  readonly person: PersonRow | null;
  readonly isRight: () => Promise<boolean>;
  readonly counters: readonly Counter[];
  readonly refusal: Refusal;
}

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
      rolesByPin: await inShop(shop, () => rolesByPin(request.session.openedBy ?? null)),
      demoShops: kind === 'device' && isLetIn(door, request) ? DEMO_SHOPS : [],
    };
  }

  /** A PIN has four digits: on a device it opens no role above that of whoever signed the device in by password. */
  async function rolesByPin(openedBy: string | null): Promise<readonly Role[]> {
    if (openedBy === OPENED_BY_DEMO) return ROLES;
    const opener = openedBy === null ? null : await findPerson(pool, openedBy);
    return ROLES.slice(0, 1 + (opener?.active ? ROLES.indexOf(opener.role) : -1));
  }

  /** Compares a secret, counted and slowed; a wrong one is answered alike for all reasons. */
  async function prove(request: Request, { person, isRight, counters, refusal }: Proof): Promise<PersonRow> {
    await reserveAttempt(pool, counters);
    if ((await isRight()) && person?.active) {
      await attemptSucceeded(pool, counters);
      return person;
    }
    if (workingShop() !== NO_SHOP)
      await addAct(pool, { what: 'sign-in-failed', person: null, from: request.ip ?? null, about: person?.id ?? null });
    throw refusal;
  }

  /** The password of a person, or of a name that nobody has. */
  const provePassword = (request: Request, shop: string, name: string, found: PersonRow | null, given: Password) =>
    prove(request, {
      person: found,
      isRight: () => isSecret(given.password, found?.passwordHash ?? null),
      counters: [found ? byPassword(found.id) : byUnknownName(shop, name), byAddress(request.ip), byShop],
      refusal: given.refusal,
    });

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
    const isKnown = (await inShop(shop, () => findShop(pool, shop))) !== null;
    await inShop(isKnown ? shop : NO_SHOP, async () => {
      const found = await personNamed(pool, name);
      const person = await provePassword(request, shop, name, found, { password, refusal: wrong });
      await openSession(request, signedIn(shop, person, person.mustChange ? 'first' : 'device'), {
        openedBy: person.id,
      });
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
      await openSession(request, signedIn(shop, person, 'device'), { openedBy: OPENED_BY_DEMO });
      await addAct(pool, { what: 'signed-in', ...actor(request) });
    });
    response.status(201).json(await view(request));
  });

  router.post('/change-over', only('device'), async (request, response) => {
    const { shop } = whoOf(request);
    const { person: id, pin, password } = bodyAs(ChangeOver, request);
    const endsAt = new Date(request.session.endsAt ?? Date.now());
    const { openedBy = null } = request.session;
    if ((pin === undefined) === (password === undefined))
      throw misfit([{ field: 'pin', found: pin ? 'a PIN and a password' : 'nothing', allowed: 'a PIN or a password' }]);
    await inShop(shop, async () => {
      const found = await findPerson(pool, id);
      if (password !== undefined) {
        const refusal = new Refusal(problem(403, 'wrong-password', 'This is not the password of that person.'));
        const person = await provePassword(request, shop, id, found, { password, refusal });
        if (person.mustChange)
          throw new Refusal(problem(403, 'password-first', 'This is a one-time password: sign in with it.'));
        return changeOver(person, person.id);
      }
      if (found && !(await rolesByPin(openedBy)).includes(found.role))
        throw new Refusal(
          problem(
            403,
            'password-needed',
            `${found.name} (${found.role}) takes over with the password: this device was signed in by somebody with fewer rights.`,
          ),
        );
      const person = await prove(request, {
        person: found,
        isRight: () => isSecret(pin!, found?.pinHash ?? null),
        counters: [byPin(found?.id ?? id.toLowerCase()), byDevice(request.sessionID), byAddress(request.ip), byShop],
        refusal: new Refusal(problem(403, 'wrong-pin', 'This PIN is not the one of that person.')),
      });
      await changeOver(person, openedBy);
    });
    response.json(await view(request));

    /** The shift goes on, it does not begin again. */
    async function changeOver(person: PersonRow, opener: string | null): Promise<void> {
      await openSession(request, signedIn(shop, person, 'device'), { endsAt, openedBy: opener });
      await addAct(pool, { what: 'changed-over', ...actor(request) });
    }
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
      await openSession(request, signedIn(shop, person, 'phone', pairing.job), { openedBy: person.id });
      await addAct(pool, { what: 'phone-paired', ...actor(request), about: pairing.job });
    });
    response.status(201).json(await view(request));
  });

  router.put('/secrets', only('device', 'first'), async (request, response) => {
    const { shop, person: id } = whoOf(request);
    const { password, newPassword, pin } = bodyAs(OwnSecrets, request);
    await inShop(shop, async () => {
      const found = await findPerson(pool, id);
      const person = await provePassword(request, shop, id, found, {
        password,
        refusal: misfit([{ field: 'password', found: 'another', allowed: 'your current password' }]),
      });
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
      if (newPassword) await openSession(request, signedIn(shop, person, 'device'), { openedBy: id });
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
