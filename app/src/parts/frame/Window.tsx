/** What is behind a dialog, as a file of its own so that it is loaded apart. */
export { Modal as default } from '@mantine/core';
