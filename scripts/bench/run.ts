import { benchCompass } from './compass';
import { benchHover } from './hover';
import { benchPosition } from './position';

benchCompass();
benchPosition();
benchHover();
