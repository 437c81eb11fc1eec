import { expose } from "comlink";
import { bench } from "./bench";

expose(bench);
