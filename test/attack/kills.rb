# frozen_string_literal: true

module Attack
  # Kills of the application at random moments, while somebody writes and while analyses run: what was acknowledged must be there
  # after the restart, and no worker may run on.
  class Kills
    # Until the kill, seconds at the most.
    LONGEST_WAIT = 1.2

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
      @study = @server.post("/api/studies", { title: "Killed", aim: "study" }).json[:study][:id]
      @song = @server.upload("/api/studies/#{@study}/references", File.binread(Attack.song), "kept.wav").json[:reference][:id]
      @server.settle { sheet[:analysis] }
      @acknowledged = []
      count.times { |i| once(i) }
      @server.settle { sheet[:derivation].nil? || sheet[:derivation][:state] != "running" }
    end

    private

    def sheet = @server.get("/api/references/#{@song}").json

    # One round: writes until the kill, and a measurement on its way in every other one.
    def once(round)
      @server.post("/api/references/#{@song}/analyses") if round.even?
      killer = Thread.new do
        sleep(@random.rand(LONGEST_WAIT))
        @server.end_with(:KILL)
      end
      write("#{round}.#{@acknowledged.size}") while killer.alive?
      killer.join
      @report.count("kills", "kills")
      no_worker_left
      @server.start
      check
    end

    def no_worker_left
      @server.settle(10) { @server.workers.empty? }
    rescue RuntimeError
      @report.bad("kills", "hang", "workers run on: #{@server.workers.size}")
    end

    def write(text)
      answer = @server.post("/api/references/#{@song}/marks", { type: "idea", text:, first_bar: 1, last_bar: 1 })
      return @report.bad("kills", "5xx", answer.body[0, 160]) if answer.status.positive? && answer.broken?

      @acknowledged << text if answer.ok?
      @report.count("kills", "writes") if answer.ok?
    end

    def check
      answer = @server.get("/api/references/#{@song}")
      return @report.bad("kills", "page that does not answer", answer.status.to_s) unless answer.ok? && answer.json[:analysis]

      found = answer.json[:analysis][:marks].map { |mark| mark[:text] }
      (@acknowledged - found).each { |text| @report.bad("kills", "lost write", text) }
      leftovers = Dir.glob("recordings/**/*part*", base: @server.home)
      leftovers.each { |path| @report.bad("kills", "leftover file", path) }
    end
  end
end
