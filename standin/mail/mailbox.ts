import type http from "node:http";
import { simpleParser } from "mailparser";
import nodemailer from "nodemailer";
import { SMTPServer } from "smtp-server";
import { NEWSLETTERS, newslettersPage, original } from "./newsletters";

export type Kept = { id: number; to: string[]; from: string; subject: string; text: string; at: string };

const esc = (text: string) => text.replace(/&/g, "&amp;").replace(/</g, "&lt;").replace(/"/g, "&quot;");
const MOST = 500;

/** The stand-in for the world's mail: takes every letter and shows it on a page; sends letters to a server on this machine. */
export class Mailbox {
  readonly letters: Kept[] = [];
  #next = 1;

  /**
   * @param mailIn port of the mail server newsletters are forwarded to
   * @param web port of the stand-in web their links lead to
   */
  constructor(
    readonly mailIn: number,
    readonly web: number,
  ) {}

  /** Listens for letters by SMTP, on loopback. */
  listen(port: number): Promise<SMTPServer> {
    const server = new SMTPServer({
      authOptional: true,
      disabledCommands: ["STARTTLS"],
      onData: (stream, session, done) => {
        simpleParser(stream)
          .then((mail) => {
            this.letters.unshift({
              id: this.#next++,
              to: session.envelope.rcptTo.map((one) => one.address),
              from: mail.from?.text ?? "",
              subject: mail.subject ?? "",
              text: mail.text ?? "",
              at: new Date().toISOString(),
            });
            this.letters.splice(MOST);
            done();
          })
          .catch((error: Error) => done(error));
      },
    });
    return new Promise((resolve) => server.listen(port, "127.0.0.1", () => resolve(server)));
  }

  /** The mailbox as a page, and as JSON for tests: /letters?to=<address>. POST /send hands a letter to a local server. */
  readonly page: http.RequestListener = (request, response) => {
    const url = new URL(request.url ?? "/", "http://mail");
    const to = url.searchParams.get("to");
    const letters = this.letters.filter((letter) => !to || letter.to.includes(to));
    if (request.method === "POST" && url.pathname === "/send") return void this.#send(request, response);
    if (request.method === "POST" && url.pathname === "/forward")
      return void this.#forward(request, response);
    if (url.pathname === "/newsletters") {
      response.writeHead(200, { "content-type": "text/html; charset=utf-8" });
      return void response.end(newslettersPage(url.searchParams.get("said") ?? ""));
    }
    if (url.pathname === "/letters") {
      response.writeHead(200, { "content-type": "application/json" });
      return void response.end(JSON.stringify(letters));
    }
    response.writeHead(200, { "content-type": "text/html; charset=utf-8" });
    response.end(
      `<!doctype html><html lang="en"><meta name="viewport" content="width=device-width"><title>Mailbox</title><style>body{font:16px/1.5 system-ui;max-width:44rem;margin:2rem auto;padding:0 1rem}article{border-top:1px solid #ccc;padding:1rem 0}pre{white-space:pre-wrap;font:inherit}</style><h1>Mailbox</h1><p>Every letter the demo sends arrives here. Newest first; load again for more. There are also <a href="/newsletters">newsletters to forward</a>.</p>${
        letters
          .map(
            (l) =>
              `<article><h2>${esc(l.subject)}</h2><p>To ${esc(l.to.join(", "))}, ${l.at.slice(0, 16).replace("T", " ")}</p><pre>${linked(l.text)}</pre></article>`,
          )
          .join("") || "<p>No letters yet.</p>"
      }`,
    );
  };

  /** Forwards a newsletter as a person's mail program does: as an attachment. */
  async #forward(request: http.IncomingMessage, response: http.ServerResponse): Promise<void> {
    let body = "";
    for await (const chunk of request) body += chunk;
    const form = new URLSearchParams(body);
    const letter = NEWSLETTERS.find((one) => one.id === form.get("which")) ?? NEWSLETTERS[0]!;
    let said = `Sent to ${form.get("to")}.`;
    try {
      const transport = nodemailer.createTransport({ host: "127.0.0.1", port: this.mailIn, ignoreTLS: true });
      await transport.sendMail({
        from: form.get("from") ?? "",
        to: form.get("to") ?? "",
        messageId: `<forward-${letter.id}@lantern.example>`,
        subject: `Fwd: ${letter.subject}`,
        text: "See below.",
        attachments: [
          {
            filename: "forwarded.eml",
            contentType: "message/rfc822",
            content: await original(letter, this.web),
          },
        ],
      });
    } catch (error) {
      said = `Refused: ${error instanceof Error ? error.message : String(error)}`;
    }
    response.writeHead(303, { location: `/newsletters?said=${encodeURIComponent(said)}` }).end();
  }

  async #send(request: http.IncomingMessage, response: http.ServerResponse): Promise<void> {
    let body = "";
    for await (const chunk of request) body += chunk;
    try {
      const { port, ...letter } = JSON.parse(body) as {
        port: number;
        from: string;
        to: string;
        subject: string;
        text: string;
      };
      await nodemailer.createTransport({ host: "127.0.0.1", port, ignoreTLS: true }).sendMail(letter);
      response.writeHead(204).end();
    } catch (error) {
      response.writeHead(400, { "content-type": "text/plain" }).end(String(error));
    }
  }
}

const linked = (text: string) =>
  esc(text).replace(/https?:\/\/[^\s<]+/g, (url) => `<a href="${url}">${url}</a>`);
