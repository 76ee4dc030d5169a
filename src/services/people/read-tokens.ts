import { and, eq, isNull } from "drizzle-orm";
import { accessToken } from "@/data/schema";
import { reading } from "../action";
import { Nothing } from "../input";
import { can } from "../policy";

export const readTokens = reading({
  name: "tokens.read",
  about: "One's own access tokens, without their secrets.",
  input: Nothing,
  allow: can.beSignedIn(),
  run: async ({ scope, tx }) => ({
    tokens: await tx
      .select({
        id: accessToken.id,
        name: accessToken.name,
        createdAt: accessToken.createdAt,
        lastUsedAt: accessToken.lastUsedAt,
      })
      .from(accessToken)
      .where(and(eq(accessToken.person, scope.person!), isNull(accessToken.revokedAt)))
      .orderBy(accessToken.id),
  }),
});
