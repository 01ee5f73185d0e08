/** Where the studios run that the tests are done in: one for each worker. */
export const studios = (process.env.BASE_URLS ?? 'http://127.0.0.1:8020').split(' ');
