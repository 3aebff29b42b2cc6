import { userInfo } from 'node:os';
import { dirname, join } from 'node:path';
import { root } from './place.mjs';

const quoted = (text) =>
  /[\s"%]/.test(text) ? `"${text.replaceAll('%', '%%').replaceAll('"', '\\"')}"` : text;

/** A systemd unit for this clone: starts with the machine, and again whenever it ends. */
export function unit({ user = userInfo().username, env = process.env } = {}) {
  const set = [
    'PORT',
    'HOST',
    'PANACHE_HOSTS',
    'TRUST_PROXY',
    'PANACHE_LAN',
    'PANACHE_BACKUPS',
    'PANACHE_DEMO',
    'DEVICES_URL',
  ]
    .filter((name) => env[name] !== undefined)
    .map((name) => `Environment=${quoted(`${name}=${env[name]}`)}`);
  return `# Save as /etc/systemd/system/panache.service, then:
#   systemctl daemon-reload && systemctl enable --now panache
# An address of a database holds a password: put it into a file only root reads, and name that with EnvironmentFile=.
[Unit]
Description=Panache, beside the stove
After=network.target

[Service]
Type=exec
User=${user}
WorkingDirectory=${root}
Environment=${quoted(`PATH=${dirname(process.execPath)}:/usr/local/sbin:/usr/local/bin:/usr/sbin:/usr/bin:/sbin:/bin`)}
${set.map((line) => `${line}\n`).join('')}ExecStart=${quoted(join(root, 'panache'))} start
Restart=always
RestartSec=2
TimeoutStopSec=30

[Install]
WantedBy=multi-user.target
`;
}

export async function run() {
  process.stdout.write(unit());
}
