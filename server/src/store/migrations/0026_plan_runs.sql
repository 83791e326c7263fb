GRANT DELETE ON plan_run TO axle_server;
