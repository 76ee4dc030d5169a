import { simpleParser, type ParsedMail } from "mailparser";
import { SMTPServer } from "smtp-server";

/** A message as it came, with whom it was for. */
export type Came = { to: string; mail: ParsedMail };

/**
 * A mail server on loopback.
 * @param refused an address it will never have
 * @param takes so many messages it takes; then it says that it is going down (RFC 5321, 3.8)
 */
export async function mailServer(
  port: number,
  refused = "",
  takes = Infinity,
): Promise<{ came: Came[]; stop: () => Promise<void> }> {
  const came: Came[] = [];
  const server = new SMTPServer({
    authOptional: true,
    disabledCommands: ["STARTTLS"],
    onRcptTo: ({ address }, _, done) => {
      const answer = (said: string, responseCode: number) =>
        done(Object.assign(new Error(said), { responseCode }));
      if (came.length >= takes) answer("Service not available, closing transmission channel", 421);
      else if (address === refused) answer("No such mailbox", 550);
      else done();
    },
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
