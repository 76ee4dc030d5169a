import { execFile } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { promisify } from "node:util";
import { start, wait } from "../lib/processes.mjs";
import { Stop } from "../lib/say.mjs";

const exec = promisify(execFile);
const SERVER = "/usr/sbin/mariadbd";
const HOST = "127.0.0.1";

/**
 * How soon a node that says nothing is given up by the others. By Galera's own figures it takes five seconds; in one
 * room a second is enough. What the others are given to agree (inactive, install) must be more: with two seconds, nodes
 * that only had much to do gave each other up.
 */
const SUSPECT = [
  "evs.keepalive_period=PT0.3S",
  "evs.inactive_check_period=PT0.3S",
  "evs.suspect_timeout=PT1S",
  "evs.inactive_timeout=PT4S",
  "evs.install_timeout=PT4S",
];

/** A node of a Galera cluster: MariaDB with its data in a folder of its own, on loopback. */
class Node {
  entry = null;

  /**
   * @param {{ name: string, folder: string, port: number, cluster: number, others: () => Node[] }} where `cluster` is the
   *   first of three ports by which the nodes speak to each other
   */
  constructor(where) {
    Object.assign(this, where);
    this.data = path.join(this.folder, "data");
    this.file = path.join(this.folder, "my.cnf");
    this.log = path.join(this.folder, "log.err");
    // Of its own: a server that starts deletes what others have there as their temporary tables.
    this.temporary = path.join(this.folder, "tmp");
    const short = createHash("sha256").update(this.data).digest("hex").slice(0, 12);
    this.socket = path.join(os.tmpdir(), `hobbin-${short}.sock`);
  }

  /** Makes the data folder of a node that has none. */
  async install() {
    mkdirSync(this.temporary, { recursive: true });
    await exec("mariadb-install-db", [
      "--no-defaults",
      `--user=${os.userInfo().username}`,
      `--datadir=${this.data}`,
      `--tmpdir=${this.temporary}`,
      "--auth-root-authentication-method=normal",
      "--skip-test-db",
    ]);
  }

  /** @param {{ first?: boolean }} options `first`: it is the cluster, which the others join */
  async start({ first = false } = {}) {
    this.#write();
    const position = this.entry ? await this.#recovered() : null;
    const more = [
      ...(first ? ["--wsrep-new-cluster"] : []),
      ...(position ? [`--wsrep-start-position=${position}`] : []),
    ];
    const settings = [
      `--defaults-file=${this.file}`,
      `--user=${os.userInfo().username}`,
      `--log-error=${this.log}`,
    ];
    this.entry = start(`Node ${this.name}`, SERVER, [...settings, ...more], { output: "ignore" });
    await this.untilReady();
  }

  /** What a node is started with; in a file, which the program that copies a whole node reads too. */
  #write() {
    const members = this.others().map((one) => `${HOST}:${one.cluster}`);
    writeFileSync(
      this.file,
      `[mariadbd]
datadir=${this.data}
tmpdir=${this.temporary}
socket=${this.socket}
port=${this.port}
bind-address=${HOST}
skip-name-resolve
character-set-server=utf8mb4
collation-server=utf8mb4_uca1400_ai_ci
innodb-buffer-pool-size=256M
innodb-log-file-size=128M
max-allowed-packet=64M

# What Galera wants of every node.
binlog-format=ROW
default-storage-engine=InnoDB
innodb-autoinc-lock-mode=2
# The cluster has what a node has not written out yet when it is killed.
innodb-flush-log-at-trx-commit=2
wsrep-on=ON
wsrep-provider=/usr/lib/galera/libgalera_smm.so
wsrep-cluster-name=hobbin
wsrep-cluster-address=gcomm://${members.join()}
wsrep-node-name=${this.name}
wsrep-node-address=${HOST}:${this.cluster}
# A whole copy, where one is needed, is taken by a backup: whoever gives it goes on meanwhile.
wsrep-sst-method=mariabackup
wsrep-sst-auth=root:
wsrep-sst-receive-address=${HOST}:${this.cluster + 2}
wsrep-provider-options="gmcast.listen_addr=tcp://${HOST}:${this.cluster};ist.recv_addr=${HOST}:${this.cluster + 1};gcache.size=256M;${SUSPECT.join(";")}"

[sst]
sst-syslog=0
`,
    );
  }

  /** Up to where a node that was killed had come, so that it asks the others only for what came after. */
  async #recovered() {
    const log = path.join(this.folder, "recovered.err");
    rmSync(log, { force: true });
    const settings = [`--defaults-file=${this.file}`, `--user=${os.userInfo().username}`];
    await exec(SERVER, [...settings, `--log-error=${log}`, "--wsrep-recover"]).catch(() => {});
    const said = existsSync(log) ? readFileSync(log, "utf8") : "";
    return /Recovered position: *([\da-f-]+:-?\d+)/.exec(said)?.[1] ?? null;
  }

  /** As root, on its own socket. @returns what it answers, or null when it does not */
  sql(text) {
    return exec("mariadb", ["--no-defaults", `--socket=${this.socket}`, "-uroot", "-NBe", text]).then(
      ({ stdout }) => stdout.trim(),
      () => null,
    );
  }

  async untilReady(seconds = 90) {
    for (let i = 0; i < seconds * 10; i++) {
      if (this.entry.ended) throw new Stop(`Node ${this.name} did not start: ${this.lastError()}`);
      if (/ON/.test((await this.sql("SHOW STATUS LIKE 'wsrep_ready'")) ?? "")) return;
      await wait(100);
    }
    throw new Stop(`Node ${this.name} was not ready within ${seconds} seconds: ${this.lastError()}`);
  }

  /** As a machine that loses its power. */
  async kill() {
    process.kill(-this.entry.child.pid, "SIGKILL");
    await this.entry.end;
  }

  lastError() {
    const lines = existsSync(this.log) ? readFileSync(this.log, "utf8").trim().split("\n") : [];
    return lines.filter((line) => /ERROR/.test(line)).at(-1) ?? "see its log";
  }
}

/**
 * Starts a cluster of three nodes with an empty database.
 * @param {{ folder: string, ports: number[], cluster: number }} options `ports` of the three; `cluster` the first of nine
 *   by which they speak to each other
 */
export async function startNodes({ folder, ports, cluster }) {
  const nodes = ports.map(
    (port, i) =>
      new Node({
        name: "abc"[i],
        folder: path.join(folder, `node-${"abc"[i]}`),
        port,
        cluster: cluster + i * 3,
        others: () => nodes,
      }),
  );
  // One after the other: temporary tables of two that install at once have the same names.
  for (const node of nodes) await node.install();
  await nodes[0].start({ first: true });
  await nodes[0].sql(
    `CREATE DATABASE hobbin CHARACTER SET utf8mb4 COLLATE utf8mb4_uca1400_ai_ci;
     CREATE USER hobbin@'127.0.0.1' IDENTIFIED BY 'hobbin'; GRANT ALL ON hobbin.* TO hobbin@'127.0.0.1';
     CREATE USER checker@'127.0.0.1' IDENTIFIED BY 'checker'`,
  );
  for (const node of nodes.slice(1)) await node.start();
  return nodes;
}
