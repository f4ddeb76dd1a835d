/**
 * Waits until the process that started it is gone (its end of the pipe closes), then stops the
 * database whose process id it was given. So even a killed start command leaves nothing running.
 */
const pid = Number(process.argv[2]);
process.on('SIGINT', () => undefined);
process.stdin.on('data', () => undefined);
process.stdin.on('close', () => {
  try {
    process.kill(pid, 'SIGINT');
  } catch {
    // it has ended already, as it should
  }
  process.exit(0);
});
