# frozen_string_literal: true

require_relative "../test_helper"
require "zlib"

# Programs that are run beside this one: bounded, and never left behind.
class ChildTest < Ethoscope::TestCase
  def child(code, seconds: 10, **more) = Audio::Child.new([RbConfig.ruby, "--disable-gems", "-e", code], seconds:, **more)

  def test_what_it_prints_is_handed_on
    assert_equal "sound", child('print "sound"').read
    assert_nil child('print "sound"; exit 3').read
    assert_nil child('print "x" * 5000').read(most: 1000)
  end

  def test_it_is_given_bytes
    bytes = "x".b * 3_000_000

    assert child("exit($stdin.read.bytesize == 3_000_000)").takes?(bytes)
    refute child("$stdin.close; exit 0").takes?(bytes)
  end

  # Nil where the machine was so busy that it had not even begun.
  def pid_of_one_that_is_ended(seconds)
    File.mkfifo(path = File.join(folder, "told #{seconds}"))
    File.open(path, File::RDWR | File::NONBLOCK) do |told|
      assert_raises(Audio::Child::Late) { child("File.write(#{path.dump}, Process.pid.to_s); sleep", seconds:).read }
      told.read_nonblock(20, exception: false).then { |read| read.to_i if read.is_a?(String) }
    end
  end

  def test_one_that_hangs_is_ended_and_gone
    pid = pid_of_one_that_is_ended(2) || pid_of_one_that_is_ended(30)

    assert_raises(Errno::ESRCH) { Process.kill(0, pid) }
  end

  def test_one_that_takes_no_input_is_ended
    assert_raises(Audio::Child::Late) { child("sleep", seconds: 1).takes?("x".b * 3_000_000) }
  end

  def test_one_that_eats_memory_fails_alone
    refute_predicate child('"x" * (600 << 20)', bytes: 400 << 20), :succeeds?
  end

  def test_a_program_that_is_not_there
    assert_raises(Errno::ENOENT) { Audio::Child.new(["no-such-program-here"], seconds: 1).read }
  end

  def test_a_swollen_tag_takes_neither_time_nor_memory
    path = swollen
    before = memory

    assert_in_delta 5.0, Audio::Decoder.new(path).check[:duration], 0.2
    assert_operator memory - before, :<, 200_000
  end

  private

  # An MP3 whose title is a frame that grows to 60 MB when it is unpacked.
  def swollen
    packed = Zlib.deflate("\x00".b * (60 << 20))
    frame = "TIT2".b + synchsafe(packed.bytesize + 4) + "\x00\x09".b + [60 << 20].pack("N") + packed
    mp3 = File.binread(SoundFile.write(SoundFile.sine(440, 5), File.join(folder, "tone.mp3")))
    File.join(folder, "swollen.mp3").tap { |path| File.binwrite(path, "ID3\x04\x00\x00".b + synchsafe(frame.bytesize) + frame + mp3) }
  end

  def synchsafe(size) = [(size >> 21) & 127, (size >> 14) & 127, (size >> 7) & 127, size & 127].pack("C4")

  # The most that this process has held so far, in kilobytes.
  def memory = File.read("/proc/self/status")[/VmHWM:\s+(\d+)/, 1].to_i
end
