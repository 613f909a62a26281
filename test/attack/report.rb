# frozen_string_literal: true

module Attack
  # Counts what was done and what went wrong.
  class Report
    COLUMNS = ["5xx", "no answer", "hang", "lost write", "leftover file", "raw exception", "page that does not answer"].freeze

    attr_reader :faults

    def initialize
      @counts = Hash.new { |hash, part| hash[part] = Hash.new(0) }
      @bad = Hash.new { |hash, part| hash[part] = Hash.new(0) }
      @faults = []
      @mutex = Mutex.new
    end

    def count(part, what, by = 1) = @mutex.synchronize { @counts[part][what] += by }

    def bad(part, column, detail)
      @mutex.synchronize do
        @bad[part][column] += 1
        @faults << "#{part}: #{column}: #{detail}"
      end
    end

    # What an answer says of the server's state: refused because it was busy, or slow.
    def answered(part, answer)
      count(part, "busy") if answer.status == 503
      count(part, "over 1 s") if answer.seconds > 1
    end

    # Figures that are told and not judged, such as times.
    def note(part, what, value) = @mutex.synchronize { @counts[part][what] = value }

    def clean? = @faults.empty?

    def to_s
      rows = (@counts.keys | @bad.keys).map do |part|
        [part, @counts[part].map { |what, number| "#{what} #{number}" }.join(", "), *COLUMNS.map { |column| @bad[part][column].to_s }]
      end
      table = [["part", "done", *COLUMNS], *rows]
      widths = table.transpose.map { |column| column.map(&:size).max }
      [*table.map { |row| row.zip(widths).map { |cell, width| cell.ljust(width) }.join("  ").rstrip }, *@faults.first(40)].join("\n")
    end
  end
end
