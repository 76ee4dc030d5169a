const PERSON = { email: "ama@lantern.example", password: "lantern-moss" };

/**
 * Signs somebody of the demo in.
 * @param {string} base where Hobbin is
 * @returns {Promise<{ cookie: string, read: (name: string, input?: object) => Promise<any> }>} the session, and how they read
 */
export async function signIn(base) {
  const signedIn = await fetch(`${base}/api/auth/sign-in/email`, {
    method: "POST",
    headers: { "content-type": "application/json", origin: base },
    body: JSON.stringify(PERSON),
  });
  const cookie = signedIn.headers
    .getSetCookie()
    .map((one) => one.split(";")[0])
    .join("; ");
  const read = async (name, input = {}) =>
    (
      await fetch(`${base}/api/actions/${name}?${new URLSearchParams(input)}`, { headers: { cookie } })
    ).json();
  return { cookie, read };
}
