#!/usr/bin/python3
"""export.py STATE ONNX: the taught ear as an ONNX file, likelihoods out"""
import sys

import torch

from net import CHOICES, Ear, HEADS, PITCHES, REGISTERS
from teach import NOTE_WEIGHT, ONSET_WEIGHT


class Told(torch.nn.Module):
    """What was made heavier in teaching is taken off again, so that a likelihood is one."""

    def __init__(self, ear):
        super().__init__()
        self.ear = ear

    def forward(self, levels):
        odds = self.ear(levels)
        odds['onsets'] = odds['onsets'] - ONSET_WEIGHT.log()[:, None]
        odds['notes'] = odds['notes'] - torch.tensor(NOTE_WEIGHT).log()
        return tuple(torch.softmax(odds[head], 1) if head in CHOICES else torch.sigmoid(odds[head]) for head in HEADS)


def main(state, path):
    ear = Ear()
    ear.load_state_dict(torch.load(state)['net'])
    axes = {'levels': {1: 'frames'}, **{head: {2: 'frames'} for head in HEADS}}
    torch.onnx.export(Told(ear.eval()), torch.zeros(1, 400, REGISTERS + PITCHES), path, input_names=['levels'],
                      output_names=list(HEADS), dynamic_axes=axes, opset_version=13)


if __name__ == '__main__':
    main(*sys.argv[1:])
