export { default } from 'odex';
