import { Mailbox } from "./mail/mailbox";
import { serveWeb } from "./web/serve";

const [web, smtp, mailIn = 2525] = process.argv.slice(2).map(Number);
if (!web || !smtp) throw new Error("usage: serve.ts <port of the web> <port of the mail>");

const mailbox = new Mailbox(mailIn, web);
const servers = await Promise.all([mailbox.listen(smtp), serveWeb(web, mailbox.page)]);
for (const name of ["SIGTERM", "SIGINT"] as const)
  process.on(name, () => {
    servers.forEach((server) => server.close(() => undefined));
    process.exit(0);
  });
