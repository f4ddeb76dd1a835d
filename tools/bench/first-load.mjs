/** Script sent for the first screen, compressed, against the same files uncompressed. */
export async function benchFirstLoad(url, browser) {
  const page = await browser.newPage();
  const session = await page.context().newCDPSession(page);
  await session.send('Network.enable');
  const scripts = new Map();
  session.on('Network.responseReceived', ({ requestId, type }) => type === 'Script' && scripts.set(requestId, 0));
  session.on(
    'Network.loadingFinished',
    ({ requestId, encodedDataLength }) => scripts.has(requestId) && scripts.set(requestId, encodedDataLength),
  );
  await page.goto(`${url}/floor`);
  await page.getByText('Utility van').first().waitFor();
  const compressed = [...scripts.values()].reduce((sum, bytes) => sum + bytes, 0);
  const raw = await page.evaluate(() =>
    performance
      .getEntriesByType('resource')
      .filter(({ name }) => name.endsWith('.js'))
      .reduce((sum, { decodedBodySize }) => sum + decodedBodySize, 0),
  );
  await page.close();
  return {
    name: 'Script for the first screen (floor), as sent',
    figure: `${(compressed / 1000).toFixed(0)} kB`,
    aim: 'at most 380 kB',
    reference: 'the same files uncompressed',
    ratio: compressed / raw,
    met: compressed <= 380_000,
  };
}
