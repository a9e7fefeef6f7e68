/** What each thread of the pool runs: one request at a time. */
export { answerOf as default } from './compute';
