-- A visit has a plan: which cut, on what head.
ALTER TABLE stage_document MODIFY stage ENUM('talk', 'read', 'aim', 'plan') NOT NULL;
