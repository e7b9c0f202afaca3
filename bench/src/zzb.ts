import { kindFigures, swapFigures } from './whose.ts';

kindFigures(1, 60);
swapFigures(1, 40);
