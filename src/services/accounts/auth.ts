import { betterAuth } from "better-auth";
import { createAuthMiddleware } from "better-auth/api";
import { drizzleAdapter } from "better-auth/adapters/drizzle";
import { addJobs } from "@/data/queries/jobs";
import { endTokensOf } from "@/data/queries/tokens";
import * as schema from "@/data/schema";
import { database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import { seal } from "@/outside/seal";
import { settings } from "@/outside/settings";
import { signal } from "@/outside/signals";
import { makeTeamOfOne } from "../teams/team-of-one";

function make() {
  const { address, secret, signInLimit } = settings();
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
    rateLimit: {
      enabled: true,
      storage: "database",
      window: 60,
      max: 600,
      customRules: {
        "/sign-in/email": { window: 60, max: +signInLimit },
        "/request-password-reset": { window: 60, max: +signInLimit },
      },
    },
    emailAndPassword: {
      enabled: true,
      requireEmailVerification: true,
      minPasswordLength: 10,
      revokeSessionsOnPasswordReset: true,
      onPasswordReset: async ({ user }) => endTokensOf(database(), user.id, now()),
      sendResetPassword: async ({ user, url }) =>
        post(
          user.email,
          "Choose a new password",
          `Somebody, probably you, asked for a new password for Hobbin.\n\nChoose one here, within an hour:\n${url}\n\nIf it was not you, do nothing: the old one stays.`,
        ),
    },
    emailVerification: {
      sendOnSignUp: true,
      sendOnSignIn: true,
      autoSignInAfterVerification: true,
      sendVerificationEmail: async ({ user, url }) =>
        post(
          user.email,
          "Confirm your address",
          `Welcome to Hobbin, ${user.name}.\n\nConfirm that this address is yours:\n${url}\n\nIf you did not sign up, do nothing.`,
        ),
    },
    hooks: {
      // Whoever changes a password wants everybody out who came in by the old one.
      after: createAuthMiddleware(async ({ path, context }) => {
        if (path === "/change-password" && context.session && !(context.returned instanceof Error))
          await endTokensOf(database(), context.session.user.id, now());
      }),
    },
    databaseHooks: { user: { create: { after: async (user) => makeTeamOfOne(user.id, user.name) } } },
  });
}

type Auth = ReturnType<typeof make>;
const shared = globalThis as { hobbinAuth?: Auth };

/** The accounts library, set up once per process: sign up, confirm, sign in and out, forgotten password (K1). */
export const auth = (): Auth => (shared.hobbinAuth ??= make());

/** Letters go through the queue: they arrive even when the mail server is down just now. */
async function post(to: string, subject: string, text: string): Promise<void> {
  await addJobs(database(), [
    {
      id: newId(),
      kind: "messages.send",
      payload: { letter: seal(JSON.stringify({ to, subject, text })) },
      createdAt: now(),
    },
  ]);
  signal("jobs");
}
