import { parentPort, workerData } from 'node:worker_threads';
import '../src/core/food/load';
import { sample } from '../src/core/doubt/monteCarlo';

/** One worker's share of the samples. */
const { samples, seed, recipe, dosing, setup } = workerData;
parentPort?.postMessage(sample(recipe, dosing, setup, seed, samples).samples);
