import { betterAuth } from "better-auth";
import { createAuthMiddleware } from "better-auth/api";
import { drizzleAdapter } from "better-auth/adapters/drizzle";
import { ownPath } from "@/core/address/own-path";
import { writeLog } from "@/data/queries/log";
import { addJobs } from "@/data/queries/jobs";
import { confirmAddress } from "@/data/queries/people";
import { endTokensOf } from "@/data/queries/tokens";
import * as schema from "@/data/schema";
import { database } from "@/mechanism/changing";
import { within } from "@/mechanism/limits";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import { settings } from "@/outside/settings";
import { signal } from "@/outside/signals";
import { letterJob } from "./letter-job";
import { makeTeamOfOne } from "../teams/team-of-one";

function make() {
  const { address, secret } = settings();
  return betterAuth({
    appName: "Hobbin",
    baseURL: address,
    secret,
    logger: { level: "error" },
    telemetry: { enabled: false },
    database: drizzleAdapter(database() as never, {
      provider: "mysql",
      schema: {
        user: schema.person,
        session: schema.session,
        account: schema.account,
        verification: schema.verification,
        rateLimit: schema.rateLimit,
      },
    }),
    advanced: {
      database: { generateId: () => newId() },
      cookiePrefix: "hobbin",
      // As the front knows it; whoever asks can name what they like elsewhere.
      ipAddress: { ipAddressHeaders: ["x-hobbin-address"] },
    },
    session: { expiresIn: 60 * 60 * 24 * 60, updateAge: 60 * 60 * 24 },
    // Counted before it is asked (http/auth-route.ts), by address and by account.
    rateLimit: { enabled: false },
    emailAndPassword: {
      enabled: true,
      requireEmailVerification: true,
      // OWASP ASVS 2.1.1; those chosen before hold on.
      minPasswordLength: 12,
      revokeSessionsOnPasswordReset: true,
      onPasswordReset: async ({ user }) => {
        await endTokensOf(database(), user.id, now());
        // Who came by the link in a letter has the inbox.
        await confirmAddress(database(), user.id);
      },
      onExistingUserSignUp: ({ user }) => invite(user.email, "/"),
      sendResetPassword: async ({ user, url }) => {
        const letter = !user.emailVerified ? WELCOME : isInvited(url) ? KNOWN : FORGOTTEN;
        await post(user.email, letter.subject, letter.text(url, user.name));
      },
    },
    emailVerification: {
      sendOnSignUp: true,
      sendOnSignIn: true,
      sendVerificationEmail: ({ user, url }) =>
        invite(user.email, ownPath(new URL(url).searchParams.get("callbackURL") ?? undefined)),
    },
    hooks: {
      // Whoever changes a password wants everybody out who came in by the old one.
      after: createAuthMiddleware(async ({ path, context }) => {
        if (path === "/change-password" && context.session && !(context.returned instanceof Error))
          await endTokensOf(database(), context.session.user.id, now());
      }),
    },
    databaseHooks: {
      user: { create: { after: async (user) => makeTeamOfOne(user.id, user.name) } },
      session: {
        create: {
          after: ({ userId }) =>
            writeLog(database(), [{ id: newId(), at: now(), person: userId, what: "signed-in" }]),
        },
      },
    },
  });
}

type Auth = ReturnType<typeof make>;
const shared = globalThis as { hobbinAuth?: Auth };

/** The accounts library, set up once per process: sign up, confirm, sign in and out, forgotten password (K1). */
export const auth = (): Auth => (shared.hobbinAuth ??= make());

/**
 * Sends the letter by which an account becomes one's own: its link leads to where the password is chosen. So nobody sets
 * a password for somebody else's address.
 * @param next where to go when it is chosen
 */
async function invite(email: string, next: string): Promise<void> {
  const redirectTo = `/new-password?${new URLSearchParams({ welcome: email, next })}`;
  await auth().api.requestPasswordReset({ body: { email, redirectTo } });
}
/** Whether the link of a letter is for somebody who signed up, rather than for a forgotten password. */
const isInvited = (url: string) => (new URL(url).searchParams.get("callbackURL") ?? "").includes("welcome=");

type Letter = { subject: string; text: (url: string, name: string) => string };
const WELCOME: Letter = {
  subject: "Confirm your address",
  text: (url, name) =>
    `Welcome to Hobbin, ${name}.\n\nConfirm that this address is yours and choose your password, within an hour:\n${url}\n\nIf you did not sign up, do nothing.`,
};
const KNOWN: Letter = {
  subject: "You have an account already",
  text: (url) =>
    `Somebody, probably you, signed up for Hobbin with this address, which has an account already. Sign in with your password, or choose a new one here, within an hour:\n${url}\n\nIf it was not you, do nothing: everything stays as it is.`,
};
const FORGOTTEN: Letter = {
  subject: "Choose a new password",
  text: (url) =>
    `Somebody, probably you, asked for a new password for Hobbin.\n\nChoose one here, within an hour:\n${url}\n\nIf it was not you, do nothing: the old one stays.`,
};

/** Letters go through the queue: they arrive even when the mail server is down just now. No inbox is flooded by them. */
async function post(to: string, subject: string, text: string): Promise<void> {
  if (!(await within("letters", to))) return;
  await addJobs(database(), [letterJob(to, subject, text, now())]);
  signal("jobs");
}
