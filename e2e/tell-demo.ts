import startCluster from './start-cluster';

/** Starts the cluster of the browser tests before they run, and says where it is. Whoever asked for it ends it. */
startCluster().then(
  () => process.stdout.write(`cluster ${process.env.E2E_CLUSTER_URL}\n`),
  (error: unknown) => {
    process.stderr.write(`${error}\n`);
    process.exit(1);
  },
);
