// A store that speaks S3 on loopback: node start.cjs PORT FOLDER. Its only bucket is called prism.
const objects = require('s3rver/lib/controllers/object');
const S3rver = require('s3rver');

// What is to be copied comes with its slashes written as %2F, as the protocol has it; this store takes them for a part of the name.
const { putObjectCopy } = objects;
objects.putObjectCopy = (ctx) => {
    ctx.headers['x-amz-copy-source'] = ctx.headers['x-amz-copy-source'].replaceAll('%2F', '/');
    return putObjectCopy(ctx);
};

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
