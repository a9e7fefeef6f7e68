// Starts the built application with the limits it needs: the adapter's own body limit of 512 kB is too small for logs.
// It listens on this machine only; HOST=0.0.0.0 opens it to the network.
process.env.HOST ??= '127.0.0.1';
process.env.PORT ??= '4173';
process.env.ORIGIN ??= `http://localhost:${process.env.PORT}`;
process.env.BODY_SIZE_LIMIT ??= '40M';
await import('../build/index.js');
