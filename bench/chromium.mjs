// Headless Chromium for the measurements of this folder, by chromedriver's own protocol.
import {spawn} from 'node:child_process';

const PORT = 9515;
const FLAGS = ['--headless=new', '--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-quic', '--disable-background-networking', '--disable-component-update',
  '--disable-sync', '--autoplay-policy=no-user-gesture-required', '--window-size=1280,800'];

async function call(method, path, body) {
  const response = await fetch(`http://127.0.0.1:${PORT}${path}`, {method, body: body && JSON.stringify(body)});
  const {value} = await response.json();
  if (value?.error) {
    throw new Error(value.message);
  }
  return value;
}

/**
 * Opens a page and lets work run on it.
 * @param {string} url
 * @param {(run: (script: string, ...args: unknown[]) => Promise<unknown>, tools: (cmd: string, params?: object) => Promise<any>) => Promise<void>} work run answers with
 *   what the script gives to its last argument; tools are the browser's own, by the names of its protocol
 */
export async function onPage(url, work) {
  const driver = spawn('chromedriver', [`--port=${PORT}`], {stdio: 'ignore'});
  try {
    for (let i = 0; i < 50 && !await fetch(`http://127.0.0.1:${PORT}/status`).then(r => r.ok, () => false); i++) {
      await new Promise(resolve => setTimeout(resolve, 100));
    }
    const {sessionId} = await call('POST', '/session', {capabilities: {alwaysMatch: {browserName: 'chrome', 'goog:chromeOptions': {binary: '/usr/bin/chromium', args: FLAGS}}}});
    const at = `/session/${sessionId}`;
    try {
      await call('POST', `${at}/timeouts`, {script: 120000});
      await call('POST', `${at}/url`, {url});
      await work((script, ...args) => call('POST', `${at}/execute/async`, {script, args}), (cmd, params = {}) => call('POST', `${at}/goog/cdp/execute`, {cmd, params}));
    } finally {
      await call('DELETE', at);
    }
  } finally {
    driver.kill();
  }
}
