export default async function teardown() {
  await globalThis.__tetradCluster.remove();
}
