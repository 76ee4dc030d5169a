import nodemailer, { type Transporter } from "nodemailer";
import { settings } from "./settings";

let transport: Transporter | undefined;

export type OutgoingMessage = { to: string; subject: string; text: string };

/** Hands a message to the mail server. Throws when it is not taken; the job that sends it tries again. */
export async function sendMail(message: OutgoingMessage): Promise<void> {
  transport ??= nodemailer.createTransport(settings().smtp, { from: settings().mailFrom });
  await transport.sendMail(message);
}
