/** Every area of messages: loaded by a screen that words findings in the pilot's units. */
import './compass';
import './due';
import './earth';
import './film';
import './guide';
import './hover';
import './inertial';
import './payload';
import './position';
import './propulsion';
import './radio';
import './record';
import './return';
import './session';
import './symptoms';
