# frozen_string_literal: true

module Store
  # What was done when, how long, what was decided and why; and the clock that runs while somebody works on an item.
  class Logbook < Rows
    # A clock that nobody stopped counts as so many boxes at most.
    FORGOTTEN = 4

    # @param study_id [Integer]
    # @return [Array<Hash>] newest first
    def of_study(study_id) = db[:log].where(study_id:).order(Sequel.desc(:id)).map { |row| row.except(:study_id) }

    # @return [Array<Ethoscope::Checklist::Pace::Line>] how long this person takes for each kind of work
    def pace = Ethoscope::Checklist::Pace.new(db[:items].where(state: "done").select(:stage, :minutes, :spent).all).lines

    # Starts the clock of an item; any other of its list stops.
    #
    # @param item [Hash]
    def start(item)
      db.transaction(mode: :immediate) do
        running(item[:checklist_id]).each { |one| stop(one) }
        db[:items].where(id: item[:id]).update(started_at: now)
      end
    end

    # Stops the clock of an item and writes down how long it ran; without one that runs nothing happens.
    #
    # @param item [Hash]
    def stop(item)
      db.transaction(mode: :immediate) do
        seconds = sitting(item)
        write(item, seconds:) if seconds.positive?
      end
    end

    # Writes down what was decided. The clock stops with it.
    #
    # @param item [Hash] before the change
    # @param change [Hash] see {Items#update}
    def decided(item, change)
      decision = Settled.decision(change)
      return reasoned(item, change) unless decision

      db.transaction(mode: :immediate) { write(item, seconds: sitting(item), decision:, why: change[:why].to_s) }
    end

    # @param checklist [Hash]
    # @param label [String] what was undone or done again
    # @param word [String] which of both
    def again(checklist, label, word)
      db[:log].insert(study_id: checklist[:study_id], checklist_id: checklist[:id], list: checklist[:title], stage: "", title: label, box: 0, decision: word, at: now)
    end

    private

    def running(checklist_id) = db[:items].where(checklist_id:).exclude(started_at: nil).all

    # Seconds since the clock was started, which are spent then.
    def sitting(item)
      started = db[:items].where(id: item[:id]).get(:started_at) or return 0
      seconds = (Time.now - Time.iso8601(started)).round.clamp(0, FORGOTTEN * 60 * (item[:minutes] + item[:extra]))
      db[:items].where(id: item[:id]).update(started_at: nil, spent: Sequel[:spent] + seconds)
      seconds
    end

    # A word why that comes after the decision belongs to it.
    def reasoned(item, change)
      last = db[:log].where(item_id: item[:id]).exclude(decision: "").order(Sequel.desc(:id)).first
      db[:log].where(id: last[:id]).update(why: change[:why]) if last && change[:why]
    end

    def write(item, **told)
      list = db[:checklists][id: item[:checklist_id]]
      db[:log].insert(study_id: list[:study_id], checklist_id: list[:id], item_id: item[:id], list: list[:title], box: item[:minutes] + item[:extra], at: now,
        **item.slice(:stage, :title), **told)
    end
  end
end
