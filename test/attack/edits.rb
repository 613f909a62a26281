# frozen_string_literal: true

module Attack
  # Random edits of a sheet, valid and out of place, with undo and redo; after each of them everything that rests on the sheet must answer.
  # The client has get, post, patch and delete, as {Server} has.
  class Edits
    TONICS = %w[C Db D Eb E F F# G Ab A Bb B].freeze
    MODES = %w[major minor dorian mixolydian phrygian lydian].freeze
    CHORDS = ["Am9", "F#m7b5/E", "N.C.", "Bbmaj7#11", "C/D", "E7alt", "Dsus4", "G13", "Abdim7", "Cm(maj7)"].freeze
    METERS = %w[2/4 3/4 4/4 5/4 6/8 7/8 12/8].freeze
    KINDS = %i[mark_reading correct add_source chord chord section section count count layer paint card technique sighting mark change undo undo redo].freeze

    # @param client [Object]
    # @param study [Integer]
    # @param song [Integer]
    # @param seed [Integer]
    # @param report [Report]
    # @yieldparam song [Integer] waits until what was put right is worked in
    def initialize(client, study, song, seed, report, &worked_in)
      @client = client
      @study = study
      @song = song
      @random = Random.new(seed)
      @report = report
      @worked_in = worked_in
      @base = "/api/references/#{song}"
    end

    # @param count [Integer]
    def run(count)
      count.times do |i|
        kind = pick(KINDS)
        @page = page or break
        answer = send(kind)
        @report.count("edits", "made")
        @report.count("edits", "refused") unless answer.ok?
        judge(kind, answer)
        @worked_in.call(@song) if answer.ok?
        there_and_back(kind) if answer.ok? && (i % 10) == 7
        check(kind, i)
      end
    end

    private

    def page
      answer = @client.get(@base)
      return answer.json if answer.ok? && answer.json[:analysis]

      @report.bad("edits", "page that does not answer", "the sheet: #{answer.status} #{answer.json[:problem]}")
      nil
    end

    def judge(what, answer)
      @report.answered("edits", answer)
      return unless answer.broken?

      @report.bad("edits", answer.status.zero? ? "no answer" : "5xx", "#{what}: #{answer.status} #{answer.body[0, 200]}")
    end

    # What was undone and done again is as it was.
    def there_and_back(kind)
      return unless @client.get(@base).json[:journal][:undo]

      before = told
      steps = %i[undo redo].map { |way| post(way).tap { |answer| judge(way, answer) || @worked_in.call(@song) } }
      return unless steps.all?(&:ok?)

      odd = told.reject { |part, is| before[part] == is }.keys
      @report.bad("edits", "lost write", "#{kind}, undone and done again: #{odd.join(", ")}") if odd.any?
      @report.count("edits", "there and back")
    end

    # The sheet without what counts the changes.
    def told
      page = @client.get(@base).json
      { **page[:analysis], readings: page[:readings].map { |reading| reading.slice(:aspect, :value, :statement, :state, :note, :first_bar, :last_bar) } }
    end

    # What rests on the sheet.
    def check(kind, number)
      paths = [@base, "/api/studies/#{@study}", "/api/studies/#{@study}/profile"]
      paths += ["#{@base}/song.mid", "#{@base}/sections.csv", "#{@base}/analysis.json", "/api/studies/#{@study}/sounds"] if (number % 5).zero?
      paths.each { |path| answers?(kind, path) }
      made = @client.post("/api/studies/#{@study}/checklists", { from: number.even? ? "reference" : "profile", reference_id: @song })
      return @report.bad("edits", "page that does not answer", "#{kind}: making a checklist: #{made.status} #{made.body[0, 200]}") unless made.ok?

      path = "/api/checklists/#{made.json[:checklist][:id]}"
      answers?(kind, path)
      @client.delete(path)
    end

    def answers?(kind, path)
      answer = @client.get(path)
      problem = answer.ok? && path.match?(%r{references/\d+\z}) && answer.json[:problem]
      @report.bad("edits", "page that does not answer", "#{kind}: #{path}: #{answer.status} #{problem || answer.body[0, 200]}") unless answer.ok? && !problem
    end

    def pick(list) = list[@random.rand(list.size)]

    def bars = @page[:analysis][:bars].size

    # Sometimes no bar of the song.
    def bar = @random.rand(12).zero? ? bars + @random.rand(5) : 1 + @random.rand(bars)

    def run_of_bars = [bar, bar].sort.then { |first, last| { first_bar: first, last_bar: last } }

    def post(path, body = {}) = @client.post("#{@base}/#{path}", body)

    def mark_reading = @client.patch("/api/readings/#{pick(@page[:readings])[:id]}", { state: pick(%w[open confirmed refuted]) })

    def value(aspect)
      case aspect
      when "tempo" then { bpm: 20 + @random.rand(380.0) }
      when "meter" then { name: pick(METERS) }
      when "key" then { tonic: pick(TONICS), mode: pick(MODES) }
      else { text: "as heard #{@random.rand(100)}" }
      end
    end

    # Now and then of a shape that no page could show.
    def odd(value)
      @random.rand(8).zero? ? pick([{ entries: "abc" }, { entries: [1] }, { bpm: "fast" }, { bpm: 1e300 }, { changes: [{}] }, { tonic: nil }, { name: "9/9" }]) : value
    end

    def correct
      aspect = pick(@page[:current].keys).to_s
      @client.post("/api/readings/#{@page[:current][aspect.to_sym]}/corrections", { value: odd(value(aspect)) })
    end

    def add_source
      aspect = pick(@page[:current].keys).to_s
      post("readings", { aspect:, value: odd(value(aspect)), source: pick(%w[told published credited]) })
    end

    def chord
      action = pick(%w[name name name split merge repeat decide clear])
      post("chords", { action:, bar:, beat: pick([1.0, 1.5, 2.0, 3.0]), symbol: pick(CHORDS), state: pick(%w[open confirmed refuted]), bars: pick([1, 2, 4]),
                       to_bar: bar, last_bar: bar, voicing: pick([[], %w[C3 E3 G3], %w[Eb2 Bb3]]) })
    end

    def section
      post("sections", { action: pick(%w[split move merge rename snap mark]), index: @random.rand(@page[:analysis][:sections].size + 1), bar:,
                         label: pick(["drop", "verse 9", "=x"]), change: { label: pick(%w[bridge chorus]) }, state: pick(%w[open confirmed]) })
    end

    def count
      action = pick(%w[downbeat pickup tempo_change tempo_change steady times modulation one_key])
      post("count",
        { action:, bar:, beats: pick([-1.0, -0.5, 0.5, 1.0, 2.0, 3.0]), bpm: 20 + @random.rand(380.0), factor: pick([0.5, 2.0]), tonic: pick(TONICS), mode: pick(MODES) })
    end

    def layer = post("layers", { name: pick(["echo", "drone", "bass", "=sum"]), role: pick([nil, "fx", "bass", "vocal"]), from: pick([nil, nil, "bass", "kick"]) }.compact)

    def own(aspect) = @page[:readings].select { |reading| reading[:aspect] == aspect }

    def paint
      layer = pick(own("layer")) if own("layer").any?
      layer ? @client.post("/api/readings/#{layer[:id]}/cells", run_of_bars.merge(level: @random.rand(5))) : self.layer
    end

    def card
      layer = pick(own("layer")) if own("layer").any?
      return self.layer unless layer

      @client.patch("/api/readings/#{layer[:id]}/card",
        { name: "echo #{@random.rand(9)}", card: { sound: "dull", candidates: [{ text: "a", sure: @random.rand(1.2) }], chain: [{ type: "delay" }] } })
    end

    def technique = post("techniques", run_of_bars.merge(name: "thrown echo", kind: pick([nil, "pedal", "no_such"])).compact)

    def sighting
      known = @page[:analysis][:techniques].map { |found| found[:kind] }
      post("sightings", run_of_bars.merge(kind: pick([*known, "no_such", "pedal"]), state: pick(%w[refuted confirmed open])))
    end

    def mark = post("marks", run_of_bars.merge(type: pick(%w[technique transition oddity question idea]), text: "mark #{@random.rand(99)}"))

    def change = post("changes", { bar:, text: pick(%w[lifts stops]), key: pick([nil, "enters:bass"]) }.compact)

    def undo = post("undo")

    def redo = post("redo")
  end
end
