-- Where a variation stands among its neighbours, and where the sound stood that it was made from: measures as JSON.
alter table variation add column place text, add column origin text;
