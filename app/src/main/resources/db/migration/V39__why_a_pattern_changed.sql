-- Why a shipped pattern has another version, by the name of the revision; nothing for one's own, and for the first.
alter table pattern_version add column why text;
