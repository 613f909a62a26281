# frozen_string_literal: true

require "fileutils"
require "zlib"

module Attack
  # Files that nobody should send: mutated sound and MIDI, lying heads, playlists, tags that swell, values that are no numbers. The same
  # seed gives the same files.
  class HostileFiles
    File_ = Struct.new(:name, :bytes, :kind)
    private_constant :File_

    # What mutations begin with, as arguments of ffmpeg.
    CONTAINERS = { "wav" => [], "flac" => %w[-c:a flac], "mp3" => %w[-b:a 96k], "ogg" => %w[-c:a libvorbis], "m4a" => %w[-c:a aac], "aiff" => %w[-c:a pcm_s16be],
                   "aac" => %w[-c:a aac], "w64" => %w[-c:a pcm_s16le] }.freeze
    NAMES = ["song.%s", "../../etc/%s", "a\u202Egnp.%s", "  .%s", "#{"x" * 280}.%s", "=cmd().%s", "né\u0000.%s", "CON.%s", "%%s%%n.%s", "<b>.%s"].freeze

    # @param seed [Integer]
    # @param folder [String] where the sounds that are mutated are made
    def initialize(seed, folder)
      @random = Random.new(seed)
      @folder = folder
    end

    # @param count [Integer]
    # @return [Enumerator<File_>]
    def each(count)
      return enum_for(:each, count) unless block_given?

      makers = %i[mutated mutated truncated spliced lying_wav odd_floats odd_channels list swollen_tag long_zeros foreign midi midi]
      count.times { |i| yield send(makers[i % makers.size]) }
    end

    private

    def pick(list) = list[@random.rand(list.size)]

    def file(extension, bytes, kind) = File_.new(format(pick(NAMES), extension), bytes.b, kind)

    def sounds
      @sounds ||= CONTAINERS.to_h do |extension, options|
        path = File.join(@folder, "base.#{extension}")
        SoundFile.write(recording, path, "-bitexact", *options) unless File.exist?(path)
        [extension, File.binread(path)]
      end
    end

    def recording = @recording ||= Band.new(bpm: 120).bars(3, chords: %w[Am F C], **Band::BACKBEAT).recording

    def mutated
      extension, bytes = pick(sounds.to_a)
      bytes = bytes.dup
      reach = @random.rand(2).zero? ? [bytes.bytesize, 400].min : bytes.bytesize
      @random.rand(1..60).times { bytes.setbyte(@random.rand(reach), @random.rand(256)) }
      file(extension, bytes, "mutated")
    end

    def truncated
      extension, bytes = pick(sounds.to_a)
      file(extension, bytes[0, @random.rand(bytes.bytesize)], "truncated")
    end

    def spliced
      extension, bytes = pick(sounds.to_a)
      other = pick(sounds.values)
      at = @random.rand(bytes.bytesize)
      file(extension, bytes[0, at] + other[@random.rand(other.bytesize)..], "spliced")
    end

    # Sizes, rates and widths that the rest of the file does not bear out.
    def lying_wav
      rate = pick([0, 1, 8000, 44_100, 192_000, 4_294_967_295])
      channels = pick([0, 1, 2, 6, 65_535])
      bits = pick([0, 1, 8, 16, 24, 32, 64, 255])
      data = @random.bytes(@random.rand(200_000))
      file("wav", wave(data, rate:, channels:, bits:, format: pick([0, 1, 3, 6, 7, 85, 65_534]), size: pick([0, 0xFFFFFFFF, 0x7FFFFFFF, data.bytesize])), "lying head")
    end

    def odd_floats
      values = [Float::NAN, Float::INFINITY, -Float::INFINITY, 3.0e38, -1.0e20, 0.0]
      share = pick([1.0, 0.01, 0.0001])
      data = Array.new(44_100 * 5) { |i| @random.rand < share ? pick(values) : Math.sin(i * 0.05) * 0.4 }.pack("e*")
      file("wav", wave(data, rate: 44_100, channels: 1, bits: 32, format: 3), "odd floats")
    end

    def odd_channels
      channels = pick([3, 7, 9, 10, 32, 63, 64, 65, 255])
      file("wav", wave([3000, -3000].cycle.first(8000 * channels * 5).pack("s<*"), rate: 8000, channels:, bits: 16, format: 1), "odd channels")
    end

    def wave(data, rate:, channels:, bits:, format:, size: data.bytesize)
      frame = channels * bits / 8
      head = [16, format, channels, rate, (rate * frame) & 0xFFFFFFFF, frame & 0xFFFF, bits].pack("VvvVVvv")
      "RIFF".b + [(36 + size) & 0xFFFFFFFF].pack("V") + "WAVEfmt ".b + head + "data".b + [size].pack("V") + data
    end

    # Lists of other files, some of them there and some never ending.
    def list
      target = pick(["/etc/hostname", "/dev/zero", File.join(@folder, "base.wav"), "http://127.0.0.1:9/a.ts", "concat:/dev/zero|/dev/zero",
                     "subfile,,start,0,end,0,,:/etc/passwd"])
      texts = ["#EXTM3U\n#EXT-X-TARGETDURATION:10\n#EXTINF:9,\n#{target}\n", "#EXTM3U\n#EXT-X-MEDIA-SEQUENCE:1\n#EXTINF:10.0,\n#{target}\n#EXT-X-ENDLIST\n",
               "ffconcat version 1.0\nfile '#{target}'\n", "[playlist]\nFile1=#{target}\nNumberOfEntries=1\n", "<?xml version=\"1.0\"?><MPD><BaseURL>#{target}</BaseURL></MPD>",
               "FILE \"#{target}\" WAVE\n  TRACK 01 AUDIO\n    INDEX 01 00:00:00\n", "v=0\no=- 0 0 IN IP4 127.0.0.1\nm=audio 5004 RTP/AVP 0\n",
               "ID3\x04\x00\x00\x00\x00\x00\x00#EXTM3U\n#{target}\n"]
      file(pick(%w[mp3 wav m4a ogg flac mid]), pick(texts), "list")
    end

    # An ID3 tag whose frame is small and grows when it is unpacked, before a real MP3; or one that says it is far larger than the file.
    def swollen_tag
      packed = Zlib.deflate("\x00".b * (40 << 20))
      size = [packed.bytesize + 4].pack("N")
      frame = "TIT2".b + synchsafe(packed.bytesize + 4) + "\x00\x09".b + size + packed
      tag = "ID3\x04\x00\x00".b + synchsafe(pick([frame.bytesize, 0x0FFFFFFF])) + frame
      file("mp3", tag + sounds.fetch("mp3"), "swollen tag")
    end

    def synchsafe(size) = [(size >> 21) & 127, (size >> 14) & 127, (size >> 7) & 127, size & 127].pack("C4")

    def long_zeros = file(pick(%w[mp3 aac wav]), pick(["ID3\x03\x00\x00\x00\x00\x00\x00", "\xFF\xFB\x90\x00", "RIFF", "fLaC", "OggS"]).b + ("\x00".b * (2 << 20)), "zeros")

    def foreign
      texts = ["GIF89a".b + @random.bytes(500), "\x89PNG\r\n\x1a\n".b + @random.bytes(800), "PK\x03\x04".b + @random.bytes(900), "<html><script>1</script>",
               "%PDF-1.4 ".b + @random.bytes(300), "\x00" * 5000, @random.bytes(70_000), "", "MThd"]
      file(pick(%w[wav mp3 flac mid]), pick(texts), "foreign")
    end

    def midi
      base = MidiFile.bytes(Array.new(@random.rand(1..8)) { |i| ["Part #{i}", i, Array.new(40) { |n| [n * 0.5, 0.5, 40 + @random.rand(40)] }] }, bpm: pick([20, 90, 250]))
      bytes = base.dup
      case @random.rand(5)
      when 0 then bytes = bytes[0, @random.rand(bytes.bytesize)]
      when 1 then @random.rand(1..30).times { bytes.setbyte(@random.rand(bytes.bytesize), @random.rand(256)) }
      when 2 then bytes = bytes[0, 14] + "XFIH\x00\x00\x00\x04abcd".b + bytes[14..]
      when 3 then bytes = MidiFile.raw("\x00\x90\x3C\x40\xFF\xFF\xFF\x7F\x80\x3C\x00".b + MidiFile::END_OF_TRACK)
      else bytes = MidiFile.raw(*Array.new(64) { "\x00\x90\x3C\x40\x60\x80\x3C\x00".b + MidiFile::END_OF_TRACK })
      end
      file("mid", bytes, "MIDI")
    end
  end
end
