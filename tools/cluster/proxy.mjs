import { chmodSync, writeFileSync } from "node:fs";
import path from "node:path";
import { start, untilAnswers } from "../lib/processes.mjs";

/**
 * A check of a node: it begins, selects, commits, and asks whether the node has the cluster. One that only greets
 * may be cut off from the others, or be filling up.
 */
const CHECK = `#!/bin/sh
# haproxy says in $3 and $4 which node is asked.
exec timeout 2 mariadb --no-defaults -h"$3" -P"$4" -uchecker -pchecker -NBe \\
  "BEGIN; SELECT 1; COMMIT; SHOW STATUS LIKE 'wsrep_ready'" | grep -q 'wsrep_ready.*ON'
`;

/** @param {{ check: string, database: number, web: number, nodes: number[], applications: number[] }} ports */
const config = ({ check, database, web, nodes, applications }) => `global
  # The check is a program of its own.
  external-check
  insecure-fork-wanted
  maxconn 4000

defaults
  timeout connect 2s
  timeout client 1h
  timeout server 1h
  timeout check 3s

# One writer: everybody goes to the first node that is up. When one before it comes back, those at the others are sent to
# it, all at once: a table that keeps everybody where they are (stick on) was tried, and let both nodes be written to.
listen database
  mode tcp
  bind 127.0.0.1:${database}
  option redispatch
  retries 2
  option external-check
  external-check path "/usr/bin:/bin"
  external-check command ${check}
  default-server check inter 500ms fastinter 300ms fall 2 rise 2 observe layer4 error-limit 3 on-error mark-down on-marked-down shutdown-sessions on-marked-up shutdown-backup-sessions
${nodes.map((port, i) => `  server ${"abc"[i]} 127.0.0.1:${port}${i ? " backup" : ""}`).join("\n")}

# What cannot be reached is tried at another process; what was begun is not: whoever asked asks again.
listen web
  mode http
  bind 127.0.0.1:${web}
  option httpchk GET /api/health?live
  option redispatch
  retries 2
  retry-on conn-failure
  default-server check inter 500ms fall 1 rise 1 on-marked-down shutdown-sessions
${applications.map((port, i) => `  server application-${i + 1} 127.0.0.1:${port}`).join("\n")}

frontend figures
  mode http
  bind 127.0.0.1:${web + 1}
  stats enable
  stats uri /
`;

/** Starts haproxy before three nodes and two applications. */
export async function startProxy({ folder, ...ports }) {
  const [check, file] = [path.join(folder, "check-node"), path.join(folder, "haproxy.cfg")];
  writeFileSync(check, CHECK);
  chmodSync(check, 0o755);
  writeFileSync(file, config({ check, ...ports }));
  const entry = start("The proxy", "/usr/sbin/haproxy", ["-db", "-f", file], { output: "ignore" });
  await untilAnswers(`http://127.0.0.1:${ports.web + 1}/`, entry);
  return entry;
}
