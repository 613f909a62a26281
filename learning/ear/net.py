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
        self.a = nn.Conv2d(1, 8, 3, stride=(1, 2), padding=1)
        self.b = nn.Conv2d(8, 16, 3, stride=(1, 2), padding=1)
        self.norm_a, self.norm_b = nn.BatchNorm2d(8), nn.BatchNorm2d(16)
        left = (bins + 1) // 2
        self.fold = nn.Conv1d(16 * ((left + 1) // 2), out, 1)

    def forward(self, x):
        x = torch.relu(self.norm_a(self.a(x)))
        x = torch.relu(self.norm_b(self.b(x)))
        return self.fold(x.permute(0, 1, 3, 2).flatten(1, 2))


class Layer(nn.Module):
    """Looks at five frames so far apart."""

    def __init__(self, apart):
        super().__init__()
        self.along = nn.Conv1d(WIDTH, WIDTH, 5, padding=2 * apart, dilation=apart)
        self.norm = nn.BatchNorm1d(WIDTH)

    def forward(self, h):
        return h + torch.relu(self.norm(self.along(h)))


class Ear(nn.Module):
    """[batch, frames, REGISTERS + PITCHES] to log odds by head, each [batch, answers, frames]"""

    def __init__(self):
        super().__init__()
        self.registers, self.pitches = Front(REGISTERS, WIDTH), Front(PITCHES, WIDTH)
        self.near = nn.Conv1d(REGISTERS + PITCHES, WIDTH, 3, padding=1)
        self.layers = nn.Sequential(*[Layer(2 ** i) for i in range(8)])
        self.drop = nn.Dropout(.15)
        self.heads = nn.ModuleDict({name: nn.Conv1d(WIDTH, size, 1) for name, size in HEADS.items()})

    def forward(self, x):
        near = self.near(x.transpose(1, 2))
        x = x[:, None]
        h = torch.relu(self.registers(x[..., :REGISTERS]) + self.pitches(x[..., REGISTERS:]) + near)
        h = self.drop(self.layers(h))
        return {name: head(h) for name, head in self.heads.items()}
