import nodemailer, { type Transporter } from "nodemailer";
import { settings } from "./settings";

let transport: Transporter | undefined;

export type Letter = { to: string; subject: string; text: string };

/** Hands a letter to the mail server. Throws when it is not taken; the job that sends it tries again. */
export async function sendMail(letter: Letter): Promise<void> {
  transport ??= nodemailer.createTransport(settings().smtp, { from: settings().mailFrom });
  await transport.sendMail(letter);
}
