import { figuresOfTheEngine } from '@oat-crock/core/testing';

postMessage(figuresOfTheEngine());
