import { benchCompass } from './compass';
import { benchResponse, benchReturn } from './core';
import { benchHover } from './hover';
import { benchPosition } from './position';
import { benchStore } from './store';
import { benchAccelerometer, benchCsv, benchHorizon, benchMounting } from './sensors';

benchCompass();
benchAccelerometer();
benchMounting();
benchPosition();
benchCsv();
benchHorizon();
benchReturn();
benchResponse();
benchHover();
await benchStore();
