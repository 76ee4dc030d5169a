import { auth } from "@/services/accounts/auth";

/** /api/auth/…: sign up, in and out, confirm, forgotten password. The accounts library answers. */
export const handleAuth = (request: Request): Promise<Response> => auth().handler(request);
