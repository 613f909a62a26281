#!/usr/bin/python3
"""cache.py INPUTS CACHE FOLDER...: joins what the engine measured (INPUTS/FOLDER-NAME/NAME.f32, `rake learn:features`)
with what is true of each frame, a file a song."""
import glob
import os
import sys

import numpy as np

import labels
from net import PITCHES, REGISTERS


def main(inputs, cache, *folders):
    os.makedirs(cache, exist_ok=True)
    for folder in folders:
        kind = os.path.basename(os.path.normpath(folder))
        for path in sorted(glob.glob(os.path.join(inputs, kind, '*.f32'))):
            name = os.path.basename(path)[:-4]
            out = os.path.join(cache, '%s-%s.npz' % (kind, name))
            if os.path.exists(out):
                continue
            x = np.fromfile(path, np.float32).reshape(-1, REGISTERS + PITCHES)
            np.savez(out, x=x.astype(np.float16), **labels.of(folder, name, len(x)))
    print(len(os.listdir(cache)), 'songs')


if __name__ == '__main__':
    main(*sys.argv[1:])
