import nodemailer, { type Transporter } from "nodemailer";
import { settings } from "./settings";

let transport: Transporter | undefined;

export type OutgoingMessage = { to: string; subject: string; text: string; html?: string };

/** Hands a message to the mail server. Throws when it is not taken; the job that sends it tries again. */
export async function sendMail(message: OutgoingMessage): Promise<void> {
  transport ??= nodemailer.createTransport(settings().smtp, { from: settings().mailFrom });
  await transport.sendMail(message);
}

/** A copy of something that goes to many. */
export type CopyForMany = OutgoingMessage & {
  /** The same each time it is tried, in angle brackets. */
  messageId: string;
  /** Where a press of the mail program takes its reader off the list (RFC 8058). */
  leave: string;
};

/** A line to the mail server that stays open for many messages, one after the other. */
export function sendMany(): { send: (copy: CopyForMany) => Promise<void>; close: () => void } {
  const many = nodemailer.createTransport(
    { url: settings().smtp, pool: true, maxConnections: 1, maxMessages: Infinity },
    { from: settings().mailFrom },
  );
  return {
    send: async ({ leave, ...message }) => {
      await many.sendMail({
        ...message,
        headers: {
          "List-Unsubscribe": { prepared: true, value: `<${leave}>` },
          "List-Unsubscribe-Post": "List-Unsubscribe=One-Click",
          // So that no machine answers it (RFC 3834, 2).
          "Auto-Submitted": "auto-generated",
          Precedence: "list",
        },
      });
    },
    close: () => many.close(),
  };
}

/** The host of our own address, for the names of messages. */
export const mailHost = (): string => /@([\w.-]+)/.exec(settings().mailFrom)?.[1] ?? "localhost";

/**
 * Whether a mail server has refused one address for good (RFC 5321, 4.2.1: a reply of 5yz to RCPT or DATA); anything else
 * may be otherwise tomorrow.
 */
export function isRefusal(error: unknown): error is Error & { response: string } {
  const { responseCode, command, response } = error as {
    responseCode?: number;
    command?: string;
    response?: string;
  };
  return (
    typeof responseCode === "number" &&
    responseCode >= 500 &&
    typeof response === "string" &&
    (command === "RCPT TO" || command === "DATA")
  );
}
