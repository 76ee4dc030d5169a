import { SMTPServer } from "smtp-server";
import { log } from "./log";
import { settings } from "./settings";

export type Receiver = {
  /** Whether an address takes mail here. */
  known: (address: string) => Promise<boolean>;
  receive: (to: readonly string[], raw: Buffer) => Promise<void>;
};

const refusal = (code: number, words: string) => Object.assign(new Error(words), { responseCode: code });

/**
 * Takes mail in by SMTP (RFC 5321). An unknown address is refused at once with 550, so that nothing bounces later; a
 * message that is too large with 552. Null when mail is not taken in, or another process of this machine does.
 */
export async function startMailIn(receiver: Receiver): Promise<SMTPServer | null> {
  const { mailIn, mailInPort, mailLimit, mailInHost } = settings();
  if (mailIn === "off") return null;
  const most = Number(mailLimit) * 1024 * 1024;
  const server = new SMTPServer({
    name: mailInHost,
    banner: "Hobbin",
    authOptional: true,
    disabledCommands: ["AUTH", "STARTTLS"],
    size: most,
    maxClients: 20,
    socketTimeout: 60_000,
    disableReverseLookup: true,
    onRcptTo: ({ address }, _, done) => {
      receiver.known(address).then(
        (known) => done(known ? null : refusal(550, "There is no such address here")),
        () => done(refusal(451, "Try again in a moment")),
      );
    },
    onData: (stream, session, done) => {
      const parts: Buffer[] = [];
      let bytes = 0;
      stream.on("data", (part: Buffer) => {
        bytes += part.length;
        // The rest is read and thrown away, as the protocol wants it.
        if (bytes <= most) parts.push(part);
      });
      stream.on("end", () => {
        if (stream.sizeExceeded || bytes > most)
          return done(refusal(552, `A message may have ${mailLimit} MB at the most`));
        receiver
          .receive(
            session.envelope.rcptTo.map((one) => one.address),
            Buffer.concat(parts),
          )
          .then(
            () => done(),
            (error: unknown) => {
              log.error({ err: error }, "a message could not be taken in");
              done(refusal(451, "Try again in a moment"));
            },
          );
      });
    },
  });
  server.on("error", (error) => log.warn({ err: error }, "the mail receiver had an error"));
  return new Promise((resolve, reject) => {
    server.server.once("error", (error: NodeJS.ErrnoException) => {
      if (error.code !== "EADDRINUSE") return reject(error);
      log.info("another process takes the mail in");
      resolve(null);
    });
    server.listen(Number(mailInPort), mailIn === "public" ? "0.0.0.0" : "127.0.0.1", () => resolve(server));
  });
}
