# frozen_string_literal: true

module Attack
  # Many clients at once, each asking for one thing after another: how long every kind of request takes.
  class Crowd
    # What a client does, and how often in a round.
    ROUND = { "sheet" => 3, "study" => 2, "profile" => 1, "checklist" => 1, "progress" => 4, "mark" => 2, "undo" => 1, "sound" => 2, "page" => 2, "how-to" => 1,
              "taps" => 1 }.freeze
    # A person does not ask again at once.
    PAUSE = 0.25

    # @param server [Server]
    # @param report [Report]
    # @param seed [Integer]
    def initialize(server, report, seed)
      @server = server
      @report = report
      @random = Random.new(seed)
      @times = Hash.new { |hash, what| hash[what] = [] }
      @mutex = Mutex.new
    end

    # Makes a study with some songs, to be asked for.
    #
    # @param paths [Array<String>] of recordings, those of the demo when not said
    def prepare(paths = Dir.glob(File.join(Server::ROOT, "demo/audio/*.ogg")))
      @study = @server.post("/api/studies", { title: "Crowded", aim: "style" }).json[:study][:id]
      @songs = paths.map { |path| @server.upload("/api/studies/#{@study}/references", File.binread(path), File.basename(path)).json[:reference][:id] }
      @server.settle(300) { @server.get("/api/studies/#{@study}").json[:references].all? { |row| row[:analysis][:state] == "done" } }
      @checklist = @server.post("/api/studies/#{@study}/checklists", { from: "profile" }).json[:checklist][:id]
    end

    # @param clients [Integer]
    # @param seconds [Numeric]
    def run(clients, seconds)
      stop = now + seconds
      seeds = Array.new(clients) { @random.rand(1 << 30) }
      seeds.map { |seed| Thread.new { client(Random.new(seed), stop) } }.each(&:join)
      part = "#{clients} clients"
      @times.each do |what, times|
        @report.count(part, "requests", times.size)
        @report.note(part, "#{what} p95 ms", (quantile(times, 0.95) * 1000).round)
        @report.note(part, "slowest ms", [(times.max * 1000).round, slowest(part)].max)
      end
      @times.clear
    end

    private

    def slowest(_part) = (@times.values.flatten.max * 1000).round

    def client(random, stop)
      rounds = ROUND.flat_map { |what, often| [what] * often }
      while now < stop
        what = rounds[random.rand(rounds.size)]
        song = @songs[random.rand(@songs.size)]
        answer = ask(what, song)
        judge(what, answer)
        @mutex.synchronize { @times[what] << answer.seconds }
        sleep(PAUSE * random.rand * 2)
      end
    end

    def judge(what, answer)
      part = "crowd"
      @report.count(part, "requests")
      @report.answered(part, answer)
      @report.bad(part, "5xx", "#{what}: #{answer.status} #{answer.body[0, 160]}") if answer.status >= 500
      @report.bad(part, "no answer", what) if answer.status.zero?
      @report.bad(part, "hang", "#{what}: #{answer.seconds.round} s") if answer.seconds > Server::PATIENCE
    end

    def ask(what, song)
      case what
      when "sheet" then @server.get("/api/references/#{song}")
      when "study" then @server.get("/api/studies/#{@study}")
      when "profile" then @server.get("/api/studies/#{@study}/profile")
      when "checklist" then @server.get("/api/checklists/#{@checklist}")
      when "progress" then @server.get("/api/studies/#{@study}/progress?seen=1")
      when "mark" then @server.post("/api/references/#{song}/marks", { type: "idea", text: "here", first_bar: 1, last_bar: 2 })
      when "undo" then @server.post("/api/references/#{song}/undo")
      when "sound" then @server.get("/api/references/#{song}/audio", { "Range" => "bytes=0-65535" })
      when "how-to" then @server.get("/api/references/#{song}/how-to/pedal")
      when "taps" then @server.post("/api/references/#{song}/taps", { times: [1.0, 1.5, 2.0, 2.5, 3.0] })
      else @server.get("/studies/#{@study}")
      end
    end

    def quantile(values, share) = values.sort[((values.size - 1) * share).round]

    def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  end
end
