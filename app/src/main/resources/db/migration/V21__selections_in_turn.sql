-- Numbers of selections stand in their addresses; those set apart ahead of need are lost by a kill.
alter table selection alter column id set no cache;
