// A store that speaks S3 on loopback: node start.cjs PORT FOLDER. Its only bucket is called prism.
const S3rver = require('s3rver');

const [port, directory] = process.argv.slice(2);
new S3rver({
    address: '127.0.0.1',
    port: Number(port),
    directory,
    silent: true,
    configureBuckets: [{ name: 'prism' }],
}).run((error) => {
    if (error) throw error;
});
