import { simpleParser, type ParsedMail } from "mailparser";
import { SMTPServer } from "smtp-server";

/** A message as it came, with whom it was for. */
export type Came = { to: string; mail: ParsedMail };

/**
 * A mail server on loopback.
 * @param refused an address it will never have
 */
export async function mailServer(
  port: number,
  refused = "",
): Promise<{ came: Came[]; stop: () => Promise<void> }> {
  const came: Came[] = [];
  const server = new SMTPServer({
    authOptional: true,
    disabledCommands: ["STARTTLS"],
    onRcptTo: ({ address }, _, done) =>
      done(address === refused ? Object.assign(new Error("No such mailbox"), { responseCode: 550 }) : null),
    onData: (stream, session, done) => {
      void simpleParser(stream).then((mail) => {
        came.push({ to: session.envelope.rcptTo[0]!.address, mail });
        done();
      }, done);
    },
  });
  // Whoever is killed in the middle of sending hangs up; that is what some tests are about.
  server.on("error", () => undefined);
  await new Promise<void>((resolve) => server.listen(port, "127.0.0.1", () => resolve()));
  return { came, stop: () => new Promise((resolve) => server.close(() => resolve())) };
}
