import { benchCompass } from './compass';
import { benchResponse, benchReturn } from './core';
import { benchHover } from './hover';
import { benchPosition } from './position';

benchCompass();
benchPosition();
benchReturn();
benchResponse();
benchHover();
