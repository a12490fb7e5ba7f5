/**
 * Infrared of 800–1000 nm that comes with a lux of daylight: about 170 W/m² of the 1000 W/m² and
 * 110 klx of the reference sun (ASTM G173 spectrum; shares from memory), W/m² per lx.
 */
export const infraredPerLux = 170 / 110e3;
