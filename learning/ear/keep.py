#!/usr/bin/python3
"""keep.py STATE CACHE WEIGHTS: what was taught so far, small enough to be kept in the repository: WEIGHTS.pt (16-bit, without
the optimiser; teach.py goes on from it) and WEIGHTS.json (steps, songs by kind, losses on the songs held back)."""
import collections
import glob
import json
import os
import sys

import torch

import teach
from net import Ear


def main(state, cache, weights):
    kept = torch.load(state)
    net = Ear()
    net.load_state_dict(kept['net'])
    songs, held = teach.load(cache)
    kinds = collections.Counter(os.path.basename(path).partition('-')[0] for path in glob.glob(cache + '/*.npz'))
    told = dict(steps=kept['steps'], crop_frames=teach.CROP, batch=teach.BATCH, songs=len(songs), held_back=len(held),
                by_kind=dict(sorted(kinds.items())), losses_on_held_back=teach.measured(net, held))
    small = {name: value.half() if value.is_floating_point() else value for name, value in kept['net'].items()}
    torch.save(dict(net=small, steps=kept['steps']), weights + '.pt')
    with open(weights + '.json', 'w') as file:
        json.dump(told, file, indent=2)
        file.write('\n')


if __name__ == '__main__':
    main(*sys.argv[1:])
