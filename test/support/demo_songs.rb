# frozen_string_literal: true

# What the engine hears in the demo songs, and what is true of them: worked out once for all tests, in two processes, through the command line's own
# folder run.
module DemoSongs
  DEMO = File.expand_path("../../demo", __dir__)
  NAMES = Dir.glob(File.join(DEMO, "truth", "*.json")).map { |path| File.basename(path, ".json") }.sort

  module_function

  # By name [heard, truth].
  def results
    @results ||= Dir.mktmpdir do |out|
      Cli::Folder.new(File.join(DEMO, "audio"), out, jobs: 2, err: File.open(File::NULL, "w")).analyse_all? or raise "a demo song failed"
      NAMES.to_h { |name| [name, [read(File.join(out, "#{name}.json")), read(File.join(DEMO, "truth", "#{name}.json"))]] }
    end
  end

  # By name the analysis with a mark and a voiced chord, as a person would leave them.
  def sheets
    @sheets ||= results.to_h do |name, (heard, _)|
      first = heard[:chords].find { |chord| chord[:degree] }
      notes = [note("mark", { type: "idea", text: "A bell here." }, heard[:bars][2], heard[:bars][3]),
               note("chord", { symbol: first[:symbol], voicing: %w[C3 Eb4 G4] }, first, first)]
      [name, Ethoscope::Sheet::SongSheet.new(Ethoscope::Analysis.from_h(heard), notes).settled]
    end
  end

  def note(aspect, value, from, to) = Ethoscope::Sheet::SheetNote.new(id: 1, aspect:, value:, source: "heard", state: "open", note: "", from: from[:start], to: to[:end])

  def read(path) = JSON.parse(File.read(path), symbolize_names: true)
end
