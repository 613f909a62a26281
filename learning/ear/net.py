"""The ear: two convolutional front ends (registers, pitches), dilated layers that see some twenty seconds, and a head for
each question (after Boeck & Davies, "Deconstruct, analyse, reconstruct", ISMIR 2020)."""
import torch
from torch import nn

REGISTERS, PITCHES = 66, 84
WIDTH = 96
HEADS = dict(onsets=7, bass=50, lead=61, notes=84, root=13, tones=12, roles=11)
# Heads of which one answer holds at a time; of the others each answer stands by itself.
CHOICES = ('bass', 'lead', 'root')


class Front(nn.Module):
    """[batch, 1, frames, bins] to [batch, out, frames]"""

    def __init__(self, bins, out):
        super().__init__()
        self.a = nn.Conv2d(1, 12, 3, padding=1)
        self.b = nn.Conv2d(12, 20, 3, padding=1)
        self.norm_a, self.norm_b = nn.BatchNorm2d(12), nn.BatchNorm2d(20)
        self.pool = nn.MaxPool2d((1, 2))
        self.fold = nn.Conv1d(20 * (bins // 4), out, 1)

    def forward(self, x):
        x = self.pool(torch.relu(self.norm_a(self.a(x))))
        x = self.pool(torch.relu(self.norm_b(self.b(x))))
        return self.fold(x.permute(0, 1, 3, 2).flatten(1, 2))


class Ear(nn.Module):
    """[batch, frames, REGISTERS + PITCHES] to log odds by head, each [batch, answers, frames]"""

    def __init__(self):
        super().__init__()
        self.registers, self.pitches = Front(REGISTERS, WIDTH), Front(PITCHES, WIDTH)
        self.near = nn.Conv1d(PITCHES, WIDTH, 3, padding=1)
        self.layers = nn.ModuleList([nn.Conv1d(WIDTH, WIDTH, 5, padding=2 * 2 ** i, dilation=2 ** i) for i in range(8)])
        self.norms = nn.ModuleList([nn.BatchNorm1d(WIDTH) for _ in range(8)])
        self.drop = nn.Dropout(.1)
        self.heads = nn.ModuleDict({name: nn.Conv1d(WIDTH, size, 1) for name, size in HEADS.items()})

    def forward(self, x):
        pitches = self.near(x[..., REGISTERS:].transpose(1, 2))
        x = x[:, None]
        h = torch.relu(self.registers(x[..., :REGISTERS]) + self.pitches(x[..., REGISTERS:]) + pitches)
        for layer, norm in zip(self.layers, self.norms):
            h = h + self.drop(torch.relu(norm(layer(h))))
        return {name: head(h) for name, head in self.heads.items()}
