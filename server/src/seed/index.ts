export { composeDemoJobs } from './composeDemoJobs.ts';
export { demoOwner, demoSignIn } from './demoFirm.ts';
export { composedFor, demoJobs } from './demoJobs.ts';
