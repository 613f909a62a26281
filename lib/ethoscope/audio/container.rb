# frozen_string_literal: true

module Ethoscope
  module Audio
    # Tells what kind of sound file some bytes are, from the marks that each format begins with (their specifications: RIFF/WAVE,
    # RF64, Sony Wave64, AIFF, FLAC, Ogg RFC 3533, ISO 14496-12, MPEG-1 audio ISO 11172-3, ADTS ISO 13818-7, ID3v2). What is named here is
    # the one reader that the decoder may use, so that a text that lists other files is never opened as a list.
    module Container
      # How far into a file the first frame of an MP3 is looked for.
      SEARCHED = 1 << 16
      # Pictures in a tag can be large; a longer one is passed over by its own length, not read.
      TAGS = 8
      ATOMS = %w[ftyp moov mdat wide free skip pnot].freeze
      W64 = "riff\x2E\x91\xCF\x11\xA5\xD6\x28\xDB".b.freeze

      # @param path [String]
      # @return [String, nil] wav, w64, aiff, flac, ogg, mov, aac or mp3; nil for anything else
      def self.of(path)
        start = after_tags(path)
        head = bytes_at(path, SEARCHED, start)
        marked(head) || streamed(head, tagged: start.positive?)
      end

      # Where the first byte behind all ID3 tags lies.
      def self.after_tags(path)
        at = 0
        TAGS.times do
          head = bytes_at(path, 10, at)
          break unless head.start_with?("ID3") && head.bytesize == 10

          at += 10 + head.bytes.last(4).reduce(0) { |size, byte| (size << 7) | (byte & 0x7F) }
        end
        at
      end
      private_class_method :after_tags

      def self.bytes_at(path, count, start) = File.binread(path, count, start).to_s
      private_class_method :bytes_at

      def self.marked(head)
        return riff(head) if %w[RIFF RF64 RIFX BW64].include?(head.byteslice(0, 4))
        return "w64" if head.start_with?(W64)
        return "aiff" if head.start_with?("FORM") && %w[AIFF AIFC].include?(head.byteslice(8, 4))
        return "flac" if head.start_with?("fLaC")
        return "ogg" if head.start_with?("OggS")

        "mov" if ATOMS.include?(head.byteslice(4, 4))
      end
      private_class_method :marked

      def self.riff(head) = head.byteslice(8, 4) == "WAVE" ? "wav" : nil
      private_class_method :riff

      # Formats without a head: what counts is a frame, with another right behind it. A tag is a mark, too.
      def self.streamed(head, tagged:)
        bytes = head.bytes
        return "aac" if Frame.adts?(bytes, 0) && Frame.adts?(bytes, Frame.adts_length(bytes, 0))

        at = (0...bytes.size).find { |i| bytes[i] == 0xFF && Frame.mpeg?(bytes, i) }
        at || (tagged && !head.empty?) ? "mp3" : nil
      end
      private_class_method :streamed

      # The heads of frames of MPEG audio.
      module Frame
        # kbit/s by version (1, then 2 and 2.5) and layer.
        RATES = { [1, 1] => [32, 64, 96, 128, 160, 192, 224, 256, 288, 320, 352, 384, 416, 448], [1, 2] => [32, 48, 56, 64, 80, 96, 112, 128, 160, 192, 224, 256, 320, 384],
                  [1, 3] => [32, 40, 48, 56, 64, 80, 96, 112, 128, 160, 192, 224, 256, 320], [2, 1] => [32, 48, 56, 64, 80, 96, 112, 128, 144, 160, 176, 192, 224, 256],
                  [2, 2] => [8, 16, 24, 32, 40, 48, 56, 64, 80, 96, 112, 128, 144, 160], [2, 3] => [8, 16, 24, 32, 40, 48, 56, 64, 80, 96, 112, 128, 144, 160] }.freeze
        HERTZ = [44_100, 48_000, 32_000].freeze
        # Versions by their two bits, and by what each divides the rates.
        VERSIONS = { 0 => 4, 2 => 2, 3 => 1 }.freeze

        # @param bytes [Array<Integer>]
        # @param at [Integer]
        # @return [Boolean] whether a frame of MPEG audio starts there, and another follows it or the bytes end
        def self.mpeg?(bytes, at)
          length = mpeg_length(bytes, at) or return false
          following = at + length
          following + 4 > bytes.size || !mpeg_length(bytes, following).nil?
        end

        # @param bytes [Array<Integer>]
        # @param at [Integer]
        # @return [Integer, nil] bytes of the frame that starts there
        def self.mpeg_length(bytes, at)
          first, second, third = bytes[at, 3]
          return nil unless third && first == 0xFF && second.allbits?(0xE0)

          version = VERSIONS[(second >> 3) & 3]
          layer = { 1 => 3, 2 => 2, 3 => 1 }[(second >> 1) & 3]
          hertz = HERTZ[(third >> 2) & 3]
          rate = version && layer && third >> 4 != 0 && RATES[[[version, 2].min, layer]][(third >> 4) - 1]
          hertz && rate ? length(version, layer, rate * 1000, hertz / version, (third >> 1) & 1) : nil
        end

        def self.length(version, layer, bits, hertz, padding)
          return ((12 * bits / hertz).floor + padding) * 4 if layer == 1

          ((layer == 3 && version > 1 ? 72 : 144) * bits / hertz).floor + padding
        end
        private_class_method :length

        # @param bytes [Array<Integer>]
        # @param at [Integer]
        # @return [Boolean] whether a frame of AAC starts there, or the bytes end
        def self.adts?(bytes, at)
          return true if at.positive? && at + 7 > bytes.size

          bytes[at] == 0xFF && (bytes[at + 1] & 0xF6) == 0xF0 && adts_length(bytes, at) >= 7
        end

        # @param bytes [Array<Integer>]
        # @param at [Integer]
        # @return [Integer] bytes of the frame that starts there
        def self.adts_length(bytes, at) = bytes.size < at + 7 ? 0 : ((bytes[at + 3] & 3) << 11) | (bytes[at + 4] << 3) | (bytes[at + 5] >> 5)
      end
    end
  end
end
