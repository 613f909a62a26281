# frozen_string_literal: true

require "sqlite3"

module Attack
  # Random work on all that stands around sheets: studies and their archives, whole or damaged, songs that are moved, deleted and restored,
  # checklists, attempts, settings and searches. After each of it every page that there is must answer, and in the end no row may hang in the air.
  class Catalogue
    PART = "catalogue"
    KINDS = %i[new_study edit_study delete_study restore_study archive damaged_archive many many song restore_song move place list list edit_item edit_item
               item_step step list_away list_back attempt_step verdict settings settings search search pages].freeze
    PAGES = ["", "/profile", "/attempts", "/logbook", "/progress"].freeze
    TEXTS = ["Ähre", "", " ", "%", "_", "'; drop table studies; --", "😀 é", "\u0000", "<b>", "a" * 5000, "Tide", "ＦＵＬＬ", nil, 3, [], {}].freeze
    NUMBERS = [nil, 0, -1, 1, 96, 96.5, 1e300, "96,5", "fast", [], 2**70].freeze

    # @param server [Server]
    # @param seed [Integer]
    # @param report [Report]
    def initialize(server, seed, report)
      @server = server
      @random = Random.new(seed)
      @report = report
    end

    # @param count [Integer]
    def run(count)
      prepare
      count.times { |number| one(pick(KINDS), number) }
      @server.stop
      @report.note(PART, "errors in the log", @server.log.scan(/^\S*Error\b.*/).uniq.first(5).inspect)
      check_rows
    end

    private

    # The example has two songs that are analysed already; one attempt of one of them.
    def prepare
      @home = post("/api/studies/example").json[:study][:id]
      @archive = @server.get("/api/studies/#{@home}/study.zip").body
      song = songs(@home).first[:id]
      @list = post("/api/studies/#{@home}/checklists", from: "reference", reference_id: song).json[:checklist][:id]
      @attempt = @server.upload("/api/studies/#{@home}/attempts?against_id=#{song}&checklist_id=#{@list}", File.binread(Attack.song), "try.wav").json[:attempt][:id]
      @server.settle(300) { get("/api/studies/#{@home}/attempts").json[:attempts].none? { |row| %w[queued running].include?(row.dig(:analysis, :state)) } }
    end

    def one(kind, number)
      answer = send(kind)
      @report.count(PART, "made")
      judge(kind, answer)
      pages if (number % 10).zero?
    end

    def judge(what, answer)
      return unless answer

      @report.count(PART, "refused") unless answer.ok?
      @report.answered(PART, answer)
      @report.bad(PART, "hang", "#{what}: #{answer.seconds.round} s") if answer.seconds > Server::PATIENCE
      @report.bad(PART, answer.status.zero? ? "no answer" : "5xx", "#{what}: #{answer.status} #{answer.body[0, 200]}") if answer.broken?
    end

    def pages
      paths = all[:studies].flat_map { |study| PAGES.map { |page| "/api/studies/#{study[:id]}#{page}" } }
      ["/api/studies", "/api/house", *paths].each do |path|
        answer = get(path)
        next if answer.ok? || (answer.status == 409 && path.end_with?("profile"))

        @report.bad(PART, "page that does not answer", "#{path}: #{answer.status} #{answer.body[0, 200]}")
      end
      nil
    end

    # No reference to a row that is gone, and no page of the file that is torn.
    def check_rows
      SQLite3::Database.new(File.join(@server.home, "ethoscope.sqlite3")) do |db|
        db.execute("PRAGMA foreign_key_check").each { |row| @report.bad(PART, "lost write", "a row that hangs in the air: #{row.inspect}") }
        said = db.execute("PRAGMA integrity_check").flatten
        @report.bad(PART, "lost write", said.first(3).inspect) unless said == ["ok"]
      end
      left = Dir.glob(File.join(@server.home, "**", "{received,handed}*"))
      left.each { |path| @report.bad(PART, "leftover file", path) }
    end

    def get(path) = @server.get(path)

    def post(path, body = {}) = @server.post(path, body)

    def pick(list) = list.empty? ? nil : list[@random.rand(list.size)]

    def all = get("/api/studies").json

    # A study that there is; now and then one that was deleted, or never was.
    def study
      known = all[:studies].map { |row| row[:id] }
      @random.rand(12).zero? ? 9999 : pick(known) || @home
    end

    def songs(study) = get("/api/studies/#{study}").then { |answer| answer.ok? ? answer.json[:references] : [] }

    def a_song(study) = pick(songs(study))&.fetch(:id) || 9999

    def new_study = post("/api/studies", { title: pick(TEXTS), aim: pick(["style", "exact", "no", nil]), target_bpm: pick(NUMBERS) })

    def edit_study
      @server.patch("/api/studies/#{study}", { title: pick(TEXTS), scope_from: pick(NUMBERS), scope_bar: pick(NUMBERS), target_bpm: pick(NUMBERS),
                                               target_tonic: pick(["A", "H", nil, 1]), target_mode: pick(["minor", "odd", nil]) }.to_a.sample(2, random: @random).to_h)
    end

    # The study that the rest is done with stays.
    def delete_study = study.then { |id| id == @home ? nil : @server.delete("/api/studies/#{id}") }

    def restore_study = post("/api/studies/#{1 + @random.rand(20)}/bring-back")

    def archive = upload_archive(@archive)

    def damaged_archive
      bytes = @archive.dup
      case @random.rand(3)
      when 0 then (1 + @random.rand(20)).times { bytes.setbyte(@random.rand(bytes.bytesize), @random.rand(256)) }
      when 1 then bytes = bytes.byteslice(0, @random.rand(bytes.bytesize))
      else bytes = bytes.byteslice(@random.rand(bytes.bytesize)..) + bytes.byteslice(0, 500)
      end
      upload_archive(bytes)
    end

    def upload_archive(bytes)
      return edit_study if all[:studies].size > 12

      @server.upload("/api/studies/file", bytes, "study.zip")
    end

    def many
      from = study
      ids = songs(from).map { |row| row[:id] }
      post("/api/studies/#{from}/many", { action: pick(%w[core side aside delete restore move confirm no]), ids: pick([ids, ids.first(1), [9999], [], "all"]), to: study })
    end

    def song = @server.delete("/api/references/#{a_song(study)}")

    def restore_song = post("/api/references/#{1 + @random.rand(30)}/bring-back")

    def move = post("/api/references/#{a_song(study)}/moves", { study_id: study, copy: pick([true, false]) })

    def place = post("/api/references/#{a_song(study)}/place", { to: pick(NUMBERS) })

    def list = post("/api/studies/#{own = study}/checklists", { from: pick(%w[reference profile]), reference_id: a_song(own) })

    def items = get("/api/checklists/#{@list}").then { |answer| answer.ok? ? answer.json[:checklist][:items] : [] }

    def item = pick(items)&.fetch(:id) || 9999

    def edit_item
      @server.patch("/api/items/#{item}", { state: pick(%w[done open skipped odd]), result: pick(["exact", "close", nil, "no"]), note: pick(TEXTS),
                                            minutes: pick(NUMBERS), links: pick([[], ["https://a.example"], ["javascript:alert(1)"], "x"]),
                                            steps: pick([[], ["one"], [nil], "x"]) }.to_a.sample(2, random: @random).to_h)
    end

    def item_step
      case @random.rand(4)
      when 0 then @server.delete("/api/items/#{item}")
      when 1 then post("/api/checklists/#{@list}/items", { stage: pick(%w[tempo mix no]), title: pick(TEXTS) })
      when 2 then post("/api/items/#{item}/move", { before: pick([item, nil, 9999]), to: pick(NUMBERS) })
      else post("/api/items/#{item}/#{pick(%w[split join clock target])}", { with: item, titles: %w[a b], run: true })
      end
    end

    # Undo and redo give back the very list: whatever state it was in.
    def step
      list = get("/api/checklists/#{@list}")
      return list unless list.ok? && list.json[:checklist][:undo]

      before = items
      undone = post("/api/checklists/#{@list}/undo")
      return undone unless undone.ok?

      redone = post("/api/checklists/#{@list}/redo")
      @report.bad(PART, "lost write", "undo and redo of a list: #{told(kept(before), kept(items))}") if redone.ok? && kept(before) != kept(items)
      redone
    end

    def told(before, after)
      lost, come = [before - after, after - before].map(&:first)
      (lost || {}).reject { |key, value| come && come[key] == value }.merge(instead: come&.slice(:id, :state, :result, :position)).inspect
    end

    def kept(items) = items.map { |item| item.except(:started_at, :spent) }

    def list_away = @server.delete("/api/checklists/#{@list}")

    def list_back = post("/api/checklists/#{@list}/bring-back")

    def attempt_step
      case @random.rand(4)
      when 0 then @server.delete("/api/attempts/#{@attempt}")
      when 1 then @server.patch("/api/attempts/#{@attempt}", { against_id: pick([a_song(@home), 9999, nil]), checklist_id: pick([@list, 9999, nil]) })
      when 2 then post("/api/attempts/#{@attempt}/list")
      else post("/api/attempts/#{@attempt}/return")
      end
    end

    def verdict
      path = "/api/attempts/#{@attempt}/verdicts/#{item}"
      @random.rand(2).zero? ? @server.delete(path) : @server.send(:send_body, Net::HTTP::Put, path, { closeness: pick(["exact", "odd", nil]), why: pick(TEXTS) }, Server::JSON_TYPE)
    end

    def settings = @server.patch("/api/settings", { settings: { pick(["spelling", "keymap", "no", ""]) => pick([*TEXTS, *NUMBERS]) }, pick(%w[naming odd]) => pick(TEXTS) })

    def search = get("/api/search?q=#{URI.encode_www_form_component(pick(TEXTS).to_s)}")
  end
end
