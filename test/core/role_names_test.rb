# frozen_string_literal: true

require_relative "../test_helper"

# What files and tracks are called, and the role that this names.
class RoleNamesTest < Ethoscope::TestCase
  NAMES = {
    "kick" => ["Kick", "kick_01", "BD", "Kick In", "02 - Bass Drum", "KickSub", "kck", "Kik L", "drums-kick"],
    "snare" => ["Snare", "snr top", "SD 2", "Claps", "clap.L", "Rimshot", "sidestick", "SnareBottom", "03_Clap", "Snare Verse"],
    "hats" => ["HiHat", "hi-hat closed", "HH", "Ride", "crash 16", "Cymbals", "OH", "overheads L", "CH", "OpenHat", "hats_b", "Splash"],
    "percussion" => ["Perc", "perc loop 2", "Shaker", "SHK", "Tambourine", "Congas", "Wood Block", "block", "Cowbell", "toms", "Floor Tom", "Triangle", "bongo_2", "Claves",
                     "Snaps", "Timpani"],
    "drums" => ["Drums", "drum bus", "Kit", "Beat 3", "Breaks", "DrumLoop"],
    "bass" => ["Bass", "Sub", "sub bass", "low", "Low End", "Synth Bass", "808", "Reese", "bass_DI", "Upright Bass", "String Bass", "BassGuitar"],
    "chords" => ["Keys", "keys 2", "Electric Piano", "E-Piano", "EPiano", "Piano", "grand_piano", "Organ", "Bells", "bell 1", "Vibes", "Marimba", "Clav", "Harp", "Arp",
                 "pluck", "Stabs", "Synth 4", "Chords", "Glock", "Upright Piano", "El. Piano", "Music Box", "Accordion"],
    "pad" => ["Pad", "warm pad", "Pads_low", "Atmosphere"],
    "lead" => ["Lead", "lead synth", "Melody", "Solo", "Flute", "topline", "Whistle", "Hook", "LD 1"],
    "counter-melody" => ["Counter Melody", "counter", "CounterMelody"],
    "strings" => ["Strings", "violins 1", "Cello", "Viola", "Orchestra", "string section"],
    "brass" => ["Brass", "Horns", "Trumpet 2", "Alto Sax", "trombone"],
    "guitar" => ["Guitar", "GTR", "gtr_L", "Acoustic Gtr", "E-Gtr 2", "Banjo", "ukulele", "AGTR"],
    "vocal" => ["Vox", "Lead Vocal", "vocals", "BV", "bgv 3", "Choir", "Adlibs", "voice", "LeadVox", "Backing", "Harmonies", "vox chop"],
    "fx" => ["FX", "Riser", "sfx_1", "Impact", "Noise", "Sweep Up", "reverse", "Transitions", "Boom"],
    "texture" => ["Texture", "Vinyl", "Crowd", "foley 2", "Drone", "ambience", "Rain"],
    "return" => ["Reverb", "verb return", "FX Return", "hi-hat reverb", "Send A", "delays"],
    nil => ["Audio 12", "Track 3", "bounce", "final", "take 2"]
  }.freeze

  def test_names_go_to_the_right_role
    assert_operator NAMES.values.flatten.size, :>=, 150
    wrong = NAMES.flat_map { |role, names| names.map { |name| [name, role, Ethoscope::Layers::Role.named(name)] } }.reject { |_, wanted, got| wanted == got }

    assert_empty wrong
  end
end
