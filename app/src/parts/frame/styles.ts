// One chunk, in this order: what is ours comes after Mantine's, and wins.
import '@mantine/core/styles.css';
import './theme.css';
