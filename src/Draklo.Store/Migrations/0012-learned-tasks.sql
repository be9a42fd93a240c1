-- What is learned from a log holds its tasks' minutes beside the drawn ones: worked out again once asked for.
update job_log set learned = '';
